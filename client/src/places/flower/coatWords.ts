import type { TFunction } from 'i18next'
import type { Coat, Material, Place } from '../../api/api'

/** A material's name by its id; the id itself if it is gone. */
export type NameOf = (id: string) => string

export const nameFinder =
  (materials: Material[]): NameOf =>
  (id) =>
    materials.find((material) => material.id === id)?.name ?? id

/** What a coat is called at the head of its column. */
export function coatName(t: TFunction, coat: Coat, nameOf: NameOf): string {
  switch (coat.kind) {
    case 'steam':
      return t('coat.steamName')
    case 'glaze':
      return nameOf(coat.glazeId)
    default: {
      const [main] = coat.mix.toSorted((a, b) => b.parts - a.parts).filter((part) => !isStarch(part.dustId))
      const first = main ?? coat.mix[0]
      return first ? nameOf(first.dustId) : t('coat.emptyMix')
    }
  }
}

// Only to choose which name stands in the head; nothing is computed from it.
const isStarch = (id: string) => id.includes('starch')

/** "light · from the base to 20 %" */
export function coatDetail(t: TFunction, coat: Coat): string {
  switch (coat.kind) {
    case 'steam':
      return t('coat.seconds', { count: coat.seconds })
    case 'glaze':
      return [t('coat.coats', { count: coat.coats }), t(`sides.words.${coat.sides}`)].join(' · ')
    default:
      return [loadWord(t, coat.loadMgPerCm2), placeWords(t, coat.place), t(`sides.words.${coat.sides}`)].join(' · ')
  }
}

export const loads = [
  { name: 'light', mgPerCm2: 0.05 },
  { name: 'medium', mgPerCm2: 0.15 },
  { name: 'heavy', mgPerCm2: 0.4 },
] as const

/** The nearest of a hand's three words, by ratio. */
export function loadWord(t: TFunction, mgPerCm2: number): string {
  const apart = (load: (typeof loads)[number]) => Math.abs(Math.log(load.mgPerCm2 / Math.max(mgPerCm2, 0.001)))
  const nearest = loads.toSorted((a, b) => apart(a) - apart(b))[0]!
  return t(`load.${nearest.name}`)
}

export function placeWords(t: TFunction, place: Place): string {
  if (place.kind === 'whole') return t('place.wholeWords')
  const inMm = place.kind === 'rim'
  const show = (distance: number) => (inMm ? `${Number(distance.toFixed(1))} mm` : `${Math.round(distance * 100)} %`)
  const words = place.start > 0 ? 'between' : 'to'
  return t(`place.${words}.${place.kind}`, { start: show(place.start), end: show(place.end) })
}
