import type { Kept } from './Kept'

/** Names of what the browser keeps for everybody who uses it begin so, whoever has signed in. */
const ofAll = 'all/'

const owner = `${ofAll}owner`
const aside = (whose: string) => `${ofAll}aside/${whose}/`

const isText = (value: unknown): value is string => typeof value === 'string'
const isThere = (value: unknown): value is unknown => value !== null

/** From here on what is kept is hers who has signed in: what somebody else left lies aside until that one is back. */
export function belongTo(who: string, kept: Kept) {
  const move = (from: string, to: string) => {
    const value = kept.read(from, isThere)
    // First, so that there is room for it where the storage is full.
    kept.forget(from)
    if (value !== null) kept.write(to, value)
  }
  const before = kept.read(owner, isText)
  if (before === who) return
  if (before !== null)
    for (const name of kept.names('').filter((one) => !one.startsWith(ofAll))) move(name, aside(before) + name)
  for (const name of kept.names(aside(who))) move(name, name.slice(aside(who).length))
  kept.write(owner, who)
}
