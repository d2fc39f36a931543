import type {
  Advice,
  Coat,
  DustCoat,
  Lab,
  Material,
  PasteRecipe,
  Place,
  PlaceKind,
  Plan,
  Target,
  Zone,
} from '../../api/api'

import { newId } from '../../shared/newId'

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

/** Where a place of this kind begins when it is first chosen. */
export const firstPlace: Record<PlaceKind, Place> = {
  whole: { kind: 'whole', start: 0, end: 1, feather: 0 },
  base: { kind: 'base', start: 0, end: 0.2, feather: 0.3 },
  tip: { kind: 'tip', start: 0, end: 0.15, feather: 0.3 },
  rim: { kind: 'rim', start: 0, end: 2, feather: 5 },
  heart: { kind: 'heart', start: 0, end: 0.2, feather: 0.4 },
  bar: { kind: 'bar', start: 0, end: 1.5, feather: 1.5 },
}

/** What a new coat is let down with, or sticks by. */
export interface Helpers {
  starchId?: string
  thinnerId?: string
  adhesiveId?: string
}

/** A new coat of what was taken from the tray. */
export function coatFrom(material: Material | 'steam', helpers: Helpers, loadMgPerCm2: number): Coat {
  const id = newId()
  const { starchId } = helpers
  if (material === 'steam') return { kind: 'steam', id, seconds: 8 }
  if (material.kind === 'glaze') return { kind: 'glaze', id, glazeId: material.id, coats: 1, sides: 'both', tint: null }
  if (material.kind === 'colourant') {
    const mix = [{ materialId: material.id, parts: 1 }]
    const thinnerId = helpers.thinnerId ?? ''
    return {
      kind: 'wash',
      id,
      mix,
      thinnerId,
      gPerMl: 0.02,
      wetMlPerCm2: 0.003,
      place: firstPlace.whole,
      sides: 'face',
    }
  }
  if (material.kind === 'crumb') {
    const adhesiveId = helpers.adhesiveId ?? ''
    return { kind: 'pollen', id, crumbId: material.id, adhesiveId, coverage: 0.8, place: firstPlace.tip, sides: 'both' }
  }
  const mix: DustCoat['mix'] = [{ materialId: material.id, parts: 1 }]
  // Matte dusts are let down with starch, as at the bench; lustres go on neat.
  if (material.kind === 'dust' && starchId) mix.push({ materialId: starchId, parts: 1 })
  return { kind: 'dust', id, mix, loadMgPerCm2, place: firstPlace.base, sides: 'face' }
}
