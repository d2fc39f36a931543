/** What this browser keeps for the maker, each thing under a name of its own: for good, or for as long as the tab is open. */
const keyOf = (name: string) => `young-tinge/${name}`

/** @param isOne What was kept may be from an older build, and is only taken if it is one of these. */
export function readStored<T>(
  name: string,
  isOne: (value: unknown) => value is T,
  where: Storage = localStorage,
): T | null {
  try {
    const kept: unknown = JSON.parse(where.getItem(keyOf(name)) ?? 'null')
    return isOne(kept) ? kept : null
  } catch {
    return null
  }
}

/** @returns False if storage is full or shut: the page still works, it is only not kept. */
export function store(name: string, value: unknown, where: Storage = localStorage): boolean {
  try {
    where.setItem(keyOf(name), JSON.stringify(value))
    return true
  } catch {
    return false
  }
}

export function forget(name: string, where: Storage = localStorage) {
  where.removeItem(keyOf(name))
}

/** Whether a value has at least these fields. */
export const hasFields = (value: unknown, ...fields: string[]): value is object =>
  typeof value === 'object' && value !== null && fields.every((field) => field in value)
