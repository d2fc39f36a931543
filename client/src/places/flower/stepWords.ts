import type { TFunction } from '../../shared/translation'
import type { RunStep, RunStepView } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { deltaE, grams, lumpWords, offWorthSaying, scale } from '../../shared/words'
import { placeWords } from './coatWords'

/** A step as a maker reads it: what to do, and how. */
export function stepWords(t: TFunction, step: RunStep, nameOf: NameOf): { what: string; how?: string } {
  switch (step.kind) {
    case 'weighPaste':
      return {
        what: t('step.weighPaste', { mass: scale(t, step.grams), paste: nameOf(step.baseId) }),
        how: [
          t('step.weighPasteHow'),
          step.broughtG > 0 && t('step.weighPasteBrought', { mass: scale(t, step.broughtG) }),
          step.offDeltaE > offWorthSaying && t('step.pasteOff', { deltaE: deltaE(step.offDeltaE) }),
        ]
          .filter(Boolean)
          .join(' '),
      }
    case 'addColour': {
      const name = nameOf(step.colourantId)
      if (step.letDown) {
        const besides = step.countedBesides > 0 && t(`dose.${step.letDown.unit.kind}`, { count: step.countedBesides })
        return {
          what: besides
            ? t('step.addColourAndRest', { dose: besides, name })
            : t('step.addColour', { dose: grams(t, step.grams), name }),
          how: [...lumpWords(t, step.letDown, name), t('letDown.sheet')].join(' '),
        }
      }
      if (!step.units || step.units.isTooMany)
        return { what: t('step.addColour', { dose: grams(t, step.measuredG), name }) }
      const { unit, whole, isUnderOne } = step.units
      return isUnderOne
        ? {
            what: t('step.addColour', { dose: grams(t, step.grams), name }),
            how: t('step.underOne', { unit: t(`dose.one.${unit.kind}`), mass: grams(t, unit.massG) }),
          }
        : {
            what: t('step.addColour', { dose: t(`dose.${unit.kind}`, { count: whole }), name }),
            how: t('step.exactly', { mass: grams(t, step.grams) }),
          }
    }
    case 'restPaste':
      return { what: t('step.restPaste', { count: Math.ceil(step.hours) }), how: t('step.restPasteHow') }
    case 'shapePieces':
      return {
        what: t('step.shapePieces', { count: step.pieces, spares: step.spares }),
        how:
          step.thicknessMm === null
            ? t('step.shapeSolid', { ball: step.ball, mass: grams(t, step.pieceG) })
            : t('step.shapeFlat', {
                thickness: step.thicknessMm,
                ball: step.ball,
                mass: grams(t, step.pieceG),
              }),
      }
    case 'dryPieces':
      return { what: t('step.dryPieces'), how: t('step.dryPiecesHow') }
    case 'mixDust':
      return {
        what: t('step.mixDust', {
          parts: step.portions.map((dust) => `${grams(t, dust.grams)} ${nameOf(dust.materialId)}`).join(', '),
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
        how: t(step.afterAssembly ? 'step.brushDustAfter' : 'step.brushDustHow'),
      }
    case 'mixWash':
      return {
        what: t('step.mixWash', {
          parts: step.colours.map((one) => `${grams(t, one.grams)} ${nameOf(one.materialId)}`).join(', '),
          ml: step.ml,
          thinner: nameOf(step.thinnerId),
        }),
        how: t('step.mixWashHow'),
      }
    case 'brushWash':
      return {
        what: t(step.marking ? 'step.paintMarking' : 'step.brushWash', {
          marking: step.marking ? t(`marking.${step.marking.kind}`).toLowerCase() : '',
          place: placeWords(t, step.place),
          side: t(`sides.on.${step.sides}`),
          count: step.pieces,
        }),
        how: t('step.brushWashHow', { minutes: step.dryMinutes }),
      }
    case 'stickPollen':
      return {
        what: t('step.stickPollen', {
          glue: nameOf(step.adhesiveId),
          crumb: nameOf(step.crumbId),
          mass: grams(t, step.grams),
          place: placeWords(t, step.place),
          count: step.pieces,
        }),
        how: t('step.stickPollenHow', { hours: step.dryHours }),
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
        how: [
          step.tint.length > 0 &&
            t('step.glazeTint', {
              parts: step.tint.map((one) => `${grams(t, one.grams)} ${nameOf(one.materialId)}`).join(', '),
            }),
          t('step.glazePiecesHow', { ml: step.ml, minutes: step.flashOffMinutes }),
        ]
          .filter(Boolean)
          .join(' '),
      }
    case 'comparePieces':
      return { what: t('step.comparePieces'), how: t('step.comparePiecesHow') }
  }
}

/** Every caution of the sheet once, in the order in which it first matters. */
export function cautionsOf(steps: RunStepView[]) {
  return [...new Set(steps.flatMap((view) => view.step.cautions))]
}
