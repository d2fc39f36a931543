/** What this browser keeps for the maker, each thing under a name of its own. */
const keyOf = (name: string) => `young-tinge/${name}`

/** @param isOne What was kept may be from an older build, and is only taken if it is one of these. */
export function readStored<T>(name: string, isOne: (value: unknown) => value is T): T | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null')
    return isOne(kept) ? kept : null
  } catch {
    return null
  }
}

export function store(name: string, value: unknown) {
  try {
    localStorage.setItem(keyOf(name), JSON.stringify(value))
  } catch {
    // Storage is full or shut: the page still works, it is only not kept.
  }
}

export function forget(name: string) {
  localStorage.removeItem(keyOf(name))
}

/** Whether a value has at least these fields. */
export const hasFields = (value: unknown, ...fields: string[]): value is object =>
  typeof value === 'object' && value !== null && fields.every((field) => field in value)
