import type { TFunction } from '../../shared/translation'
import type { Operation, Pot } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { grams, handWords, lumpWords, scale } from '../../shared/words'
import { minutesWords } from '../../shared/minutesWords'
import { placeWords } from '../flower/coatWords'
import { inSentence } from '../../shared/inSentence'

/** How a step is told. */
interface StepWords {
  what: string
  how?: string
  /** One below the other, before how. */
  lines?: string[]
  /** The wait after it is said already. */
  saysWait?: boolean
}

/** What is done as a maker reads it. */
export function stepWords(t: TFunction, operation: Operation, nameOf: NameOf): StepWords {
  const words = loneWords(t, operation, nameOf)
  // Dust says so itself.
  return operation.isOnStanding && operation.step.kind !== 'brushDust'
    ? { ...words, how: [t('step.onStanding'), words.how].filter(Boolean).join(' ') }
    : words
}

function loneWords(t: TFunction, operation: Operation, nameOf: NameOf): StepWords {
  const { step, lots, waitMinutes, paste } = operation
  switch (step.kind) {
    case 'makePaste':
      return {
        what: t(`step.makePaste.${step.block}`, {
          mass: scale(t, step.totalG),
          flower: lots.find((lot) => lot.flowerId === step.flowerId)?.flowerName ?? '',
        }),
        how: t(paste ? 'step.makePasteHow' : 'step.makePasteElsewhere'),
      }
    case 'takeBatch':
      return {
        what: t('step.takeBatch', { mass: scale(t, step.grams), name: step.name }),
        how: step.leftG < step.grams ? t('step.takeBatchShort', { left: scale(t, step.leftG) }) : undefined,
      }
    case 'makeLetDown':
      return {
        what: t('step.makeLetDown', { name: nameOf(step.colourantId) }),
        lines: lumpWords(t, step.letDown, nameOf(step.colourantId)),
      }
    case 'mixPot':
      return potWords(t, step.pot, nameOf)
    case 'buildStage':
      return {
        what: t(step.isFirst ? `step.stage.first.${step.stage}` : `step.stage.next.${step.stage}`, {
          name: step.name,
          how: t(`joining.${step.joining}`),
          count: step.flowers,
          parts: step.parts
            .map((part) => {
              const name = lots.find((lot) => lot.pieceId === part.pieceId)?.pieceName ?? ''
              return t('step.stagePart', { count: part.perFlower, name: inSentence(name) })
            })
            .join(', '),
        }),
        how: [
          t(`dryness.${step.dryness}`),
          step.oneRowAtATime && t('step.byRows'),
          step.joining === 'halfGlued' && t('step.support'),
          waitMinutes > 0 && t(`step.pose.${step.pose}`),
        ]
          .filter(Boolean)
          .join(' '),
      }
    case 'gatherGroups':
      return {
        what: step.pieceName
          ? t('step.gatherPieces', { name: inSentence(step.pieceName), count: step.groups, each: step.each })
          : t('step.gatherFlowers', { name: lots[0]?.flowerName ?? '', count: step.groups, each: step.each }),
        how: t('step.gatherHow'),
      }
    case 'makeSpray':
      return {
        what: t('step.makeSpray', { count: step.sprays }),
        lines: step.lines.map((line) => {
          const flower = lots.find((lot) => lot.flowerId === line.flowerId)?.flowerName ?? ''
          const name = line.pieceName ? `${flower}, ${inSentence(line.pieceName)}` : flower
          return t(line.distanceMm > 0 ? 'step.sprayLine' : 'step.sprayEnd', {
            what: t(`sprayPlan.some.${line.part}`, { name, count: line.count }),
            distance: line.distanceMm,
          })
        }),
      }
    case 'boxUp':
      return { what: t('step.boxUp', { count: step.flowers }), how: t('step.boxUpHow') }
    case 'shapePieces':
      return step.body.kind === 'bought'
        ? { what: t('step.takeBought', { count: step.pieces, spares: step.spares }) }
        : {
            what: t('step.shapePieces', { count: step.pieces, spares: step.spares }),
            how: [
              step.body.kind === 'coveredCore'
                ? t('step.coverCore', {
                    core: step.body.coreMm,
                    skin: step.body.skinMm,
                    ball: step.ball,
                    mass: grams(t, step.pieceG),
                  })
                : step.thicknessMm === null
                  ? t('step.shapeSolid', { ball: step.ball, mass: grams(t, step.pieceG) })
                  : t('step.shapeFlat', { thickness: step.thicknessMm, ball: step.ball, mass: grams(t, step.pieceG) }),
              ...cutWords(t, step),
              step.gauge === null ? t('step.noWire') : t('step.onWire', { gauge: step.gauge }),
            ].join('. '),
          }
    case 'dryPieces':
      return {
        what: t(`step.dryUntil.${step.until}`, { time: minutesWords(t, 60 * step.hours) }),
        how: t(step.isTooDamp ? 'step.dryPiecesTooDamp' : 'step.dryPiecesHow'),
        saysWait: true,
      }
    case 'brushDust':
      return {
        what: t('step.brushDust', {
          name: nameOf(step.dustId),
          load: t(`load.${step.load}`),
          place: placeWords(t, step.place),
          side: t(`sides.on.${step.sides}`),
          count: step.pieces,
        }),
        how: t(operation.isOnStanding ? 'step.brushDustAfter' : 'step.brushDustHow'),
      }
    case 'brushWash':
      return {
        what: t(step.marking ? 'step.paintMarking' : 'step.brushWash', {
          name: nameOf(step.colourId),
          marking: step.marking ? inSentence(t(`marking.${step.marking.kind}`)) : '',
          place: placeWords(t, step.place),
          side: t(`sides.on.${step.sides}`),
          count: step.pieces,
        }),
        how: t('step.brushWashHow', { minutes: step.dryMinutes }),
        saysWait: true,
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
        saysWait: true,
      }
    case 'steamPieces':
      return {
        what: t(operation.flowersAtOnce === null ? 'step.steamPieces' : 'step.steamFlowers', {
          seconds: step.seconds,
          count: step.pieces,
        }),
        how: t('step.steamPiecesHow'),
      }
    case 'glazePieces':
      return {
        what: t(operation.flowersAtOnce === null ? 'step.glazePieces' : 'step.glazeFlowers', {
          name: nameOf(step.glazeId),
          number: step.number,
          of: step.of,
          side: t(`sides.on.${step.sides}`),
          count: step.pieces,
        }),
        how: t(step.isTinted ? 'step.glazePiecesTinted' : step.dip ? 'step.dipPiecesHow' : 'step.glazePiecesHow', {
          ml: step.ml,
          minutes: step.flashOffMinutes,
          pour: step.dip?.ml ?? 0,
          across: step.dip?.acrossMm ?? 0,
          deep: step.dip?.deepMm ?? 0,
        }),
        saysWait: true,
      }
    case 'comparePieces':
      return { what: t('step.comparePieces'), how: t('step.comparePiecesHow') }
  }
}

/** What is particular about the cutting of a piece. */
function cutWords(t: TFunction, { cut, hole }: Extract<Operation['step'], { kind: 'shapePieces' }>): string[] {
  return [
    cut?.rimMm != null && t('step.rim', { rim: cut.rimMm }),
    (cut?.lobes ?? 1) > 1 && t('step.lobes', { count: cut?.lobes ?? 1 }),
    cut?.nubMm != null && t('step.nub', { nub: cut.nubMm }),
    cut?.inBothHands === true && t('step.hands'),
    hole !== null && t('step.hole', { hole }),
  ].filter((words) => words !== false)
}

/** A pot as a hand measures it, with its parts where they are not the same numbers. */
export function potWords(t: TFunction, pot: Pot, nameOf: NameOf): StepWords {
  const amounts = pot.parts.map((one) => `${handWords(t, one.amount)} ${nameOf(one.materialId)}`).join(', ')
  const isPlain = pot.parts.every((one) => one.amount.unit === 'knifeTips' && one.amount.count === one.parts)
  const ratio = isPlain || pot.parts.length === 1 ? '' : ` (${pot.parts.map((one) => one.parts).join(' : ')})`
  const liquid = pot.liquidId && { name: nameOf(pot.liquidId), ml: pot.ml ?? 0 }
  return {
    what: liquid
      ? t('pot.paint', { amounts: amounts + ratio, ...liquid })
      : t(pot.kind === 'pollen' ? 'pot.crumbs' : 'pot.dust', { amounts: amounts + ratio }),
    lines: [
      ...(pot.then && liquid
        ? [t('pot.letDown', { count: pot.then.drops, ml: pot.then.intoMl, name: liquid.name })]
        : []),
      ...(pot.isKept ? [t('pot.keeps')] : []),
    ],
    how: t(pot.liquidId ? 'pot.paintHow' : pot.kind === 'pollen' ? 'pot.crumbsHow' : 'pot.dustHow'),
  }
}

/** What it is done to, where that is not plain from the sheet. */
export function lotWords(t: TFunction, operation: Operation, pieceId: string | null, isOfOne: boolean): string {
  const { step, lots } = operation
  if (['buildStage', 'gatherGroups', 'makeSpray', 'boxUp'].includes(step.kind)) return ''
  const named = lots.map((lot) => {
    const what = { flower: lot.flowerName, piece: lot.pieceName && inSentence(lot.pieceName), count: lot.count }
    if (lot.pasteG === null) return t('runSheet.lot', what)
    const mass = scale(t, lot.pasteG)
    return lot.shade === null
      ? t('runSheet.lotPaste', { ...what, mass })
      : t('runSheet.lotShade', { ...what, mass, shade: lot.shade })
  })
  if (!isOfOne) return named.join('; ')
  const others = lots.filter((lot) => lot.pieceId !== pieceId).length
  return others > 0 ? t('runSheet.shared', { all: named.join('; ') }) : ''
}

/** Every caution of the sheet once, in the order in which it first matters. */
export function cautionsOf(operations: Operation[]) {
  return [...new Set(operations.flatMap((one) => one.step.cautions ?? []))]
}
