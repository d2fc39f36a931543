/** The part of a browser's storage that is used. */
export type Shelf = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>

const prefix = 'young-tinge/'

/**
 * What is kept for the maker, each thing under a name of its own; for everybody at this browser under one that begins with "all/".
 * Where the storage is full or shut, it is kept for as long as the page is open: nothing is lost by that but what a reload would have
 * brought back.
 */
export class Kept {
  private readonly unwritten = new Map<string, string>()

  /** @param shelf Null where the browser allows none. */
  constructor(private readonly shelf: Shelf | null) {}

  /** @param isOne What was kept may be from an older build, and is only taken if it is one of these. */
  read<T>(name: string, isOne: (value: unknown) => value is T): T | null {
    const kept = parsed(this.unwritten.get(name) ?? this.onShelf(name))
    return isOne(kept) ? kept : null
  }

  private onShelf(name: string): string {
    try {
      return this.shelf?.getItem(prefix + name) ?? 'null'
    } catch {
      return 'null'
    }
  }

  /** @returns False if it is only kept for as long as the page is open. */
  write(name: string, value: unknown): boolean {
    const text = JSON.stringify(value)
    try {
      if (!this.shelf) throw new Error('no storage')
      this.shelf.setItem(prefix + name, text)
      this.unwritten.delete(name)
      return true
    } catch {
      this.unwritten.set(name, text)
      return false
    }
  }

  forget(name: string) {
    this.unwritten.delete(name)
    try {
      this.shelf?.removeItem(prefix + name)
    } catch {
      // Shut: then there was nothing.
    }
  }

  /** Names that begin so. */
  names(beginning: string): string[] {
    const found = [...this.unwritten.keys()]
    try {
      for (let i = 0; i < (this.shelf?.length ?? 0); i++) {
        const name = this.shelf!.key(i)!
        if (name.startsWith(prefix)) found.push(name.slice(prefix.length))
      }
    } catch {
      // Shut.
    }
    return [...new Set(found)].filter((name) => name.startsWith(beginning))
  }
}

/** Older builds kept a word as it is. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return text
  }
}

/** Whether a value has at least these fields. */
export const hasFields = <F extends string>(value: unknown, ...fields: F[]): value is Record<F, unknown> =>
  typeof value === 'object' && value !== null && fields.every((field) => field in value)
