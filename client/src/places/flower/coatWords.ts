import type { TFunction } from 'i18next'
import type { Coat, CoatView, Place } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { grams } from '../../shared/words'

/**
 * What a coat is called at the head of its column.
 * @param view What follows from the coat; a new one has none yet.
 */
export function coatName(t: TFunction, coat: Coat, view: CoatView | undefined, nameOf: NameOf): string {
  switch (coat.kind) {
    case 'steam':
      return t('coat.steamName')
    case 'glaze':
      return nameOf(coat.glazeId)
    default: {
      const main = coat.mix.find((part) => part.dustId === view?.mainDustId) ?? coat.mix[0]
      return main ? nameOf(main.dustId) : t('coat.emptyMix')
    }
  }
}

/** "light · from the base to 20 %" */
export function coatDetail(t: TFunction, coat: Coat, view: CoatView | undefined): string {
  switch (coat.kind) {
    case 'steam':
      return t('coat.seconds', { count: coat.seconds })
    case 'glaze':
      return [t('coat.coats', { count: coat.coats }), t(`sides.words.${coat.sides}`)].join(' · ')
    default: {
      const words = [placeWords(t, coat.place), t(`sides.words.${coat.sides}`)]
      return (view?.load ? [t(`load.${view.load.word}`), ...words] : words).join(' · ')
    }
  }
}

/** What to mix of each dust, for all pieces. */
export function mixAmounts(view: CoatView | undefined, nameOf: NameOf): string {
  return view?.dusts.map((dust) => `${nameOf(dust.dustId)} ${grams(dust.grams)}`).join(' · ') ?? ''
}

export function placeWords(t: TFunction, place: Place): string {
  if (place.kind === 'whole') return t('place.wholeWords')
  const inMm = place.kind === 'rim'
  const show = (distance: number) => (inMm ? `${Number(distance.toFixed(1))} mm` : `${Math.round(distance * 100)} %`)
  const words = place.start > 0 ? 'between' : 'to'
  return t(`place.${words}.${place.kind}`, { start: show(place.start), end: show(place.end) })
}
