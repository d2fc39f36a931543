import type { QueryClient, QueryKey } from '@tanstack/react-query'
import { RequestFailed } from '../core/RequestFailed'

/** What this browser holds of a day, for a page that begins without a connection. Gone with whoever goes out. */
const shelves = 'day'

/** Of this build alone, by the address of its code: another may know a day by other facts. */
const shelfName = `${shelves} ${import.meta.url}`

const shelf = async () => ('caches' in window ? caches.open(shelfName) : undefined)

const clear = async (but?: string) => {
  if (!('caches' in window)) return
  const names = (await caches.keys()).filter((name) => name.startsWith(shelves) && name !== but)
  await Promise.all(names.map((name) => caches.delete(name)))
}

export const held = {
  async find<T>(address: string): Promise<T | undefined> {
    const found = await (await shelf())?.match(address)
    return found && ((await found.json()) as T)
  },
  /** Reads it, and holds what came before anybody is told that it did. */
  async reading<T>(address: string, read: () => Promise<T>, signal: AbortSignal): Promise<T> {
    const found = await read()
    // Broken off: something newer is on its way. A full disk is no reason to show nothing.
    if (!signal.aborted)
      await shelf()
        .then((on) => on?.put(address, Response.json(found)))
        .then(() => clear(shelfName))
        .catch(() => undefined)
    return found
  },
  /** The same; where the server cannot be reached and nothing is shown yet, as it was when it could be. */
  async orHeld<T>(
    address: string,
    read: () => Promise<T>,
    asked: { signal: AbortSignal; client: QueryClient; queryKey: QueryKey },
  ): Promise<T> {
    try {
      return await held.reading(address, read, asked.signal)
    } catch (failure) {
      const isAway = failure instanceof RequestFailed && failure.code === 'offline'
      const isShown = asked.client.getQueryData(asked.queryKey) !== undefined
      const found = isAway && !isShown ? await held.find<T>(address) : undefined
      if (found === undefined) throw failure
      return found
    }
  },
  forget: () => clear(),
}
