import type { TFunction } from 'i18next'
import type { RunStep, RunStepView } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { grams, lumpWords } from '../../shared/words'
import { placeWords } from './coatWords'

/** A step as a maker reads it: what to do, and how. */
export function stepWords(t: TFunction, step: RunStep, nameOf: NameOf): { what: string; how?: string } {
  switch (step.kind) {
    case 'weighPaste':
      return {
        what: t('step.weighPaste', { mass: grams(step.grams), paste: nameOf(step.baseId) }),
        how: t('step.weighPasteHow'),
      }
    case 'addColour': {
      const name = nameOf(step.colourantId)
      if (!step.units || step.units.isTooMany) return { what: t('step.addColour', { dose: grams(step.grams), name }) }
      const { unit, whole, isUnderOne } = step.units
      return isUnderOne
        ? {
            what: t('step.addColour', { dose: grams(step.grams), name }),
            how: step.letDown
              ? [...lumpWords(t, step.letDown, name), t('letDown.sheet')].join(' ')
              : t('step.underOne', { unit: t(`dose.one.${unit.kind}`), mass: grams(unit.massG) }),
          }
        : {
            what: t('step.addColour', { dose: t(`dose.${unit.kind}`, { count: whole }), name }),
            how: t('step.exactly', { mass: grams(step.grams) }),
          }
    }
    case 'restPaste':
      return { what: t('step.restPaste', { count: Math.ceil(step.hours) }), how: t('step.restPasteHow') }
    case 'shapePieces':
      return {
        what: t('step.shapePieces', { count: step.pieces, spares: step.spares }),
        how:
          step.thicknessMm === null
            ? t('step.shapeSolid', { ball: step.ballMm.toFixed(0), mass: grams(step.pieceG) })
            : t('step.shapeFlat', {
                thickness: step.thicknessMm,
                ball: step.ballMm.toFixed(0),
                mass: grams(step.pieceG),
              }),
      }
    case 'dryPieces':
      return { what: t('step.dryPieces'), how: t('step.dryPiecesHow') }
    case 'mixDust':
      return {
        what: t('step.mixDust', {
          parts: step.portions.map((dust) => `${grams(dust.grams)} ${nameOf(dust.dustId)}`).join(', '),
        }),
        how: t('step.mixDustHow'),
      }
    case 'brushDust':
      return {
        what: t('step.brushDust', {
          load: t(`load.${step.load}`),
          place: placeWords(t, step.place),
          side: t(`sides.on.${step.sides}`),
          count: step.pieces,
        }),
        how: t('step.brushDustHow'),
      }
    case 'steamPieces':
      return {
        what: t('step.steamPieces', { seconds: step.seconds, count: step.pieces }),
        how: t('step.steamPiecesHow'),
      }
    case 'glazePieces':
      return {
        what: t('step.glazePieces', {
          name: nameOf(step.glazeId),
          number: step.number,
          of: step.of,
          side: t(`sides.on.${step.sides}`),
          count: step.pieces,
        }),
        how: t('step.glazePiecesHow', { ml: step.ml.toFixed(1), minutes: step.flashOffMinutes }),
      }
    case 'comparePieces':
      return { what: t('step.comparePieces'), how: t('step.comparePiecesHow') }
  }
}

/** Every caution of the sheet once, in the order in which it first matters. */
export function cautionsOf(steps: RunStepView[]) {
  return [...new Set(steps.flatMap((view) => view.step.cautions))]
}
