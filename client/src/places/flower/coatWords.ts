import type { TFunction } from '../../shared/translation'
import type { Coat, CoatView, Place } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { handWords } from '../../shared/words'
import { percent, rounded } from '../../shared/numbers'

/**
 * What a coat is called at the head of its column.
 * @param view What follows from the coat; a new one has none yet.
 */
export function coatName(t: TFunction, coat: Coat, view: CoatView | undefined, nameOf: NameOf): string {
  switch (coat.kind) {
    case 'steam':
      return t('coat.steamName')
    case 'glaze':
      return coat.tint?.mix[0]
        ? t('coat.tintedName', { name: nameOf(coat.glazeId), tint: nameOf(coat.tint.mix[0].materialId) })
        : nameOf(coat.glazeId)
    case 'pollen':
      return nameOf(coat.crumbId)
    case 'wash': {
      const main = coat.mix.reduce((a, b) => (b.parts > a.parts ? b : a), coat.mix[0] ?? { materialId: '', parts: 0 })
      return main.materialId ? nameOf(main.materialId) : t('coat.emptyMix')
    }
    default: {
      const main = coat.mix.find((part) => part.materialId === view?.mainDustId) ?? coat.mix[0]
      return main ? nameOf(main.materialId) : t('coat.emptyMix')
    }
  }
}

/** What sort of coat it is; a detail is painted, a wash brushed on. */
export const coatKind = (t: TFunction, coat: Coat) =>
  t(`coat.kind.${coat.kind === 'wash' && coat.marking ? 'detail' : coat.kind}`)

/** "light · from the base to 20 %" */
export function coatDetail(t: TFunction, coat: Coat, view: CoatView | undefined): string {
  const words = detailWords(t, coat, view)
  return coat.afterAssembly ? `${words} · ${t('coat.afterAssemblyWords')}` : words
}

function detailWords(t: TFunction, coat: Coat, view: CoatView | undefined): string {
  switch (coat.kind) {
    case 'steam':
      return t('coat.seconds', { count: coat.seconds })
    case 'glaze':
      return [t('coat.coats', { count: coat.coats }), t(`sides.words.${coat.sides}`)].join(' · ')
    case 'wash':
      return [
        ...(coat.marking ? [t(`marking.${coat.marking.kind}`)] : []),
        ...(view?.strength ? [strengthWords(t, view.strength)] : []),
        placeWords(t, coat.place),
        t(`sides.words.${coat.sides}`),
      ].join(' · ')
    case 'pollen':
      return [placeWords(t, coat.place), t(`sides.words.${coat.sides}`)].join(' · ')
    default: {
      const words = [placeWords(t, coat.place), t(`sides.words.${coat.sides}`)]
      return (view?.load ? [t(`load.${view.load.word}`), ...words] : words).join(' · ')
    }
  }
}

/** "3 touches to a spoon", "1 touch to 2 spoons" */
function strengthWords(t: TFunction, { unit, count, spoons }: NonNullable<CoatView['strength']>): string {
  return t('coat.strengthHand', {
    dose: t(`dose.${unit}`, { count }),
    spoons: t('coat.spoons', { count: spoons }),
  })
}

/** What to mix of each material, for all pieces. */
export function mixAmounts(t: TFunction, view: CoatView | undefined, nameOf: NameOf): string {
  return view?.amounts.map((one) => `${nameOf(one.materialId)} ${handWords(t, one)}`).join(' · ') ?? ''
}

export function placeWords(t: TFunction, place: Place): string {
  const where = [place, ...(place.also ?? [])].map((one) => onePlace(t, one)).join(t('place.and'))
  return place.within ? t('place.withinWords', { where, within: onePlace(t, place.within) }) : where
}

function onePlace(t: TFunction, place: Place): string {
  const limits = [
    place.relief && place.relief !== 'everywhere' && t(`place.on.${place.relief}`),
    place.half && place.half !== 'both' && t(`place.onHalf.${place.half}`),
  ].filter(Boolean)
  return [bandWords(t, place), ...limits].join(', ')
}

/** Rims and bars go by millimetres, everything else by the share of the piece. */
export const isInMm = (place: Place) => place.kind === 'rim' || place.kind === 'bar'

function bandWords(t: TFunction, place: Place): string {
  if (place.kind === 'whole') return t('place.wholeWords')
  const inMm = isInMm(place)
  const show = (distance: number) =>
    inMm ? t('unit.mm', { value: rounded(distance, 1) }) : t('unit.percent', { value: percent(distance) })
  const words = place.start > 0 ? 'between' : 'to'
  return t(`place.${words}.${place.kind}`, { start: show(place.start), end: show(place.end) })
}
