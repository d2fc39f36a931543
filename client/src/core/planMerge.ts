import type { Plan } from '../api/api'

/** What two people may change side by side. */
export const partsOfPlan = ['targets', 'ground', 'paste', 'coats', 'onPurpose'] as const

export type PlanPart = (typeof partsOfPlan)[number]

export const same = (one: unknown, other: unknown): boolean =>
  JSON.stringify(ordered(one)) === JSON.stringify(ordered(other))

/** The database does not keep the order of fields. */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, part]) => [name, ordered(part)]),
  )
}

/** Which parts two people have both changed, differently, since the version they began from. */
export function clashes(base: Plan, mine: Plan, theirs: Plan): PlanPart[] {
  return partsOfPlan.filter(
    (part) => !same(mine[part], base[part]) && !same(theirs[part], base[part]) && !same(mine[part], theirs[part]),
  )
}

/** Theirs, with every part that only I have changed taken from mine. Only for plans that do not clash. */
export function merge(base: Plan, mine: Plan, theirs: Plan): Plan {
  return partsOfPlan.reduce(
    (plan, part) => (same(mine[part], base[part]) ? plan : { ...plan, [part]: mine[part] }),
    theirs,
  )
}
