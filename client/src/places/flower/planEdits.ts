import type { Advice, Coat, Lab, PasteRecipe, Plan, Target, Zone } from '../../api/api'

/** Changes to a plan, each a new plan. No rules here: whether a plan is possible, the server says. */

export const setTarget = (plan: Plan, zone: Zone, change: Partial<Target>): Plan => ({
  ...plan,
  targets: { ...plan.targets, [zone]: { ...plan.targets[zone]!, ...change } },
})

export const setGround = (plan: Plan, ground: Lab): Plan => ({ ...plan, ground })

export const setPaste = (plan: Plan, paste: PasteRecipe): Plan => ({ ...plan, paste })

export const changeCoat = (plan: Plan, coat: Coat): Plan => ({
  ...plan,
  coats: plan.coats.map((old) => (old.id === coat.id ? coat : old)),
})

/** @param after Id of the coat to put it behind; the end if there is none. */
export function addCoat(plan: Plan, coat: Coat, after?: string): Plan {
  const at = plan.coats.findIndex((old) => old.id === after)
  const place = at < 0 ? plan.coats.length : at + 1
  return { ...plan, coats: plan.coats.toSpliced(place, 0, coat) }
}

export const removeCoat = (plan: Plan, id: string): Plan => ({
  ...plan,
  coats: plan.coats.filter((coat) => coat.id !== id),
})

/** @param by -1 for earlier, 1 for later. */
export function moveCoat(plan: Plan, id: string, by: -1 | 1): Plan {
  const from = plan.coats.findIndex((coat) => coat.id === id)
  const to = from + by
  const coat = plan.coats[from]
  if (!coat || to < 0 || to >= plan.coats.length) return plan
  return { ...plan, coats: plan.coats.toSpliced(from, 1).toSpliced(to, 0, coat) }
}

const isOf = (advice: Advice) => (kept: { code: Advice['code']; coatId?: string | null }) =>
  kept.code === advice.code && (kept.coatId ?? null) === advice.coatId

/** Goes against an advice on purpose. @param note Why. */
export const keepOnPurpose = (plan: Plan, advice: Advice, note: string): Plan => ({
  ...plan,
  onPurpose: [...(plan.onPurpose ?? []), { code: advice.code, coatId: advice.coatId, note }],
})

export const lookAgain = (plan: Plan, advice: Advice): Plan => ({
  ...plan,
  onPurpose: (plan.onPurpose ?? []).filter((kept) => !isOf(advice)(kept)),
})
