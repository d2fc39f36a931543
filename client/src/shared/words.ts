import type { TFunction } from './translation'
import type {
  ColourView,
  CommissionView,
  Difference,
  DosedColour,
  FieldProblem,
  FoodFacts,
  LetDown,
  Material,
  Measure,
  PieceView,
  Zone,
} from '../api/api'
import { RequestFailed } from '../core/RequestFailed'
import { figures, fixed, moment, significant } from './numbers'
import { inSentence } from './inSentence'

/** A material's name by its id; the id itself if it is gone. */
export type NameOf = (id: string) => string

export const nameFinder =
  (materials: Material[]): NameOf =>
  (id) =>
    materials.find((material) => material.id === id)?.name ?? id

/** A zone by the name that a maker has for it on such a piece: a ball has no rim, a tube has a mouth. */
export function zoneName(t: TFunction, zone: Zone, build: PieceView['build']): string {
  return build === 'flat' ? t(`zone.${zone}`) : t(`zoneOf.${build}.${zone}`)
}

/** "pale soft yellow-green" */
export function colourName(t: TFunction, colour: ColourView): string {
  const { lightness, chroma, hue } = colour.words
  if (chroma === 'neutral') return t(`colour.grey.${lightness}`)
  return [t(`colour.lightness.${lightness}`), t(`colour.chroma.${chroma}`), t(`colour.hue.${hue}`)].join(' ')
}

/** "a touch warm", or "there". */
export function differenceWords(t: TFunction, difference: Difference): string {
  if (difference.size === 'there') return t('difference.there')
  return t(`difference.size.${difference.size}`, { way: t(`difference.way.${difference.way}`) })
}

/** A step of colour below this need not be said: it is just seen when two colours touch. */
export const offWorthSaying = 1

export function deltaE(difference: number): string {
  return fixed(difference, 1)
}

/** A mass as a bench scale shows it. */
export function grams(t: TFunction, value: number): string {
  return t('measure.mass', { value })
}

/** "Decorative only: Moonmilk, White wire. Contains gluten", for all that goes into a flower. */
export function foodWords(t: TFunction, food: FoodFacts, nameOf: NameOf): string {
  const status =
    food.status === 'edible'
      ? t('food.all')
      : t('food.of', { status: t(`food.${food.status}`), names: food.notEdible.map(nameOf).join(', ') })
  return [status, containsWords(t, food)].filter(Boolean).join(' ')
}

/** What guests may not bear, as far as the cabinet knows; empty if there is nothing. */
export function containsWords(t: TFunction, food: FoodFacts): string {
  return food.contains.length > 0
    ? t('food.contains', { what: food.contains.map((one) => inSentence(t(`ingredient.${one}`))).join(', ') })
    : ''
}

/** "0.6 g", "3 knife tips": as a hand takes it. */
export function handWords(t: TFunction, amount: { unit: 'grams' | 'knifeTips'; count: number }): string {
  return amount.unit === 'grams' ? scale(t, amount.count) : t('pot.knifeTips', { count: amount.count })
}

/** "2 touches", "1 drop"; just grams when a colour is only weighed. */
export function dose(t: TFunction, colour: DosedColour): string {
  const { units } = colour
  if (!units || units.isTooMany) return grams(t, colour.grams)
  return units.isUnderOne
    ? t('dose.underOne', { unit: t(`dose.one.${units.kind}`) })
    : t(`dose.${units.kind}`, { count: units.whole })
}

/** How to make a let-down, lump by lump. */
export function lumpWords(t: TFunction, letDown: LetDown, name: string): string[] {
  const [first, second] = letDown.lumps
  const words = []
  if (first) {
    const dose = t(`dose.${letDown.unit.kind}`, { count: letDown.units })
    words.push(t('letDown.first', { dose, name, white: scale(t, first.whiteG), part: scale(t, first.partG) }))
  }
  if (second) words.push(t('letDown.second', { white: scale(t, second.whiteG), part: scale(t, second.partG) }))
  return words
}

/** A mass as it is weighed out. */
export function scale(t: TFunction, value: number): string {
  return t('measure.onScale', { value })
}

/** How much of a material, in its own measure. */
export function amountOf(t: TFunction, measure: Measure, value: number): string {
  if (measure === 'grams') return grams(t, value)
  return measure === 'millilitres' ? t('measure.ml', { value }) : t('measure.pieces', { count: Math.ceil(value) })
}

/** An amount of money as people in this place write it. */
export function money(amount: number, currency: string): string {
  return figures(amount, { style: 'currency', currency })
}

/** Why a request did not do what it was for. Where nothing more can be said, its number in the log, to be told to whoever looks after the server. */
export function troubleWords(t: TFunction, error: unknown): string {
  const failed = error instanceof RequestFailed ? error : new RequestFailed('unexpected')
  const words = t(`trouble.${failed.code}`)
  return failed.code === 'unexpected' && failed.requestId
    ? `${words} ${t('trouble.request', { id: failed.requestId })}`
    : words
}

/** What is wrong with a field, in the maker's words. */
export function problemWords(t: TFunction, problem: FieldProblem, nameOf: (id: string) => string): string {
  return t(`problem.${problem.code}`, {
    defaultValue: t('problem.other'),
    limit: problem.limit === null ? '' : significant(problem.limit, 3),
    material: problem.material ? nameOf(problem.material) : '',
  })
}

/** "7 flowers, 3 buds", "3 stems"; only what there is. */
export function flowerCount(t: TFunction, flower: { flowers: number; buds: number; isFoliage: boolean }): string {
  return [
    flower.flowers > 0 && t(flower.isFoliage ? 'flower.stems' : 'flower.count', { count: flower.flowers }),
    flower.buds > 0 && t('flower.buds', { count: flower.buds }),
  ]
    .filter(Boolean)
    .join(', ')
}

/** "due in 9 days", or that it is late, or when it was. */
export function dueWords(t: TFunction, commission: CommissionView): string {
  const { dueInDays: days } = commission
  if (!commission.isOpen) return t('commission.wasDue', { day: dayWords(commission.dueOn) })
  return days < 0 ? t('commission.late', { count: -days }) : t('commission.due', { count: days })
}

/** A day as people in this place write it. @param iso A date, or a moment. */
export function dayWords(iso: string): string {
  return moment(iso, { day: 'numeric', month: 'short', year: 'numeric' })
}
