import type { Kept } from './Kept'

const owner = 'owner'
const aside = (whose: string) => `aside/${whose}/`

/** What the browser keeps for everybody who uses it, whoever has signed in. */
const ofEverybody = (name: string) => [owner, 'theme', 'language', 'begin'].includes(name) || name.startsWith('aside/')

const isText = (value: unknown): value is string => typeof value === 'string'
const isThere = (value: unknown): value is unknown => value !== null

/** From here on what is kept is hers who has signed in: what somebody else left lies aside until that one is back. */
export function belongTo(who: string, kept: Kept) {
  const move = (from: string, to: string) => {
    const value = kept.read(from, isThere)
    if (value !== null) kept.write(to, value)
    kept.forget(from)
  }
  const before = kept.read(owner, isText)
  if (before === who) return
  if (before !== null)
    for (const name of kept.names('').filter((one) => !ofEverybody(one))) move(name, aside(before) + name)
  for (const name of kept.names(aside(who))) move(name, name.slice(aside(who).length))
  kept.write(owner, who)
}
