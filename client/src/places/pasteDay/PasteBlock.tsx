import type { TFunction } from '../../shared/translation'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { PasteBlock as Block, PasteDay } from '../../api/api'
import { PlannedFor } from '../../shared/PlannedFor'
import { InlineSwatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { grams, scale } from '../../shared/words'
import { ombreStepWords } from './OmbreSheet'
import { Leftovers } from './Leftovers'
import { PasteSteps } from './PasteSteps'
import { TooDeep } from './TooDeep'
import { inSentence } from '../../shared/inSentence'

/** One piece of work on paste day, to tick when it is done. */
export function PasteBlock({
  number,
  block,
  day,
  nameOf,
  isNext,
  isTicked,
  isNewFamily,
  onTick,
}: {
  number: number
  block: Block
  day: PasteDay
  nameOf: NameOf
  isNext: boolean
  isTicked: boolean
  /** Another hue than the block before: hands and board are washed. */
  isNewFamily: boolean
  onTick: (ticked: boolean) => void
}) {
  const { t } = useTranslation()
  const title = titleOf(t, block, day)
  return (
    <>
      {isNewFamily && (
        <li className="border-base-300 quiet border-b py-1 pl-14 text-sm print:py-0">{t('pasteDay.wash')}</li>
      )}
      <li
        aria-current={isNext ? 'step' : undefined}
        className={`border-base-300 flex break-inside-avoid gap-3 border-b px-2 py-3 print:py-1 ${isNext ? 'bg-base-200 print:bg-transparent' : ''}`}
      >
        <label className="flex cursor-pointer gap-3">
          <input
            type="checkbox"
            className="checkbox checkbox-primary mt-0.5"
            aria-label={t('pasteDay.done', { title })}
            checked={isTicked}
            onChange={(event) => onTick(event.target.checked)}
          />
          <span className="quiet w-5 shrink-0 text-right">{number}</span>
        </label>
        <div className="grid min-w-0 grow gap-x-6 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] print:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          <div>
            <p className={`font-semibold ${isTicked ? 'quiet line-through' : ''}`}>
              <InlineSwatch colour={block.colour} /> {title}
              {!isTicked && <PlannedFor time={day.times[block.key]} timeZone={day.timeZone} />}
            </p>
            {block.changedSince && isTicked && (
              <p className="text-error text-sm font-semibold">{t('runSheet.changed')}</p>
            )}
            <Leftovers block={block} nameOf={nameOf} />
            <Making block={block} nameOf={nameOf} />
            {block.tooDeep.map((part, i) => (
              <TooDeep key={i} part={part} nameOf={nameOf} />
            ))}
            {block.kind !== 'paste' && (
              <p className="text-xs print:hidden">
                <Link className="act" to={`/flowers/${block.flowerIds[0]}/${block.kind}`}>
                  {t(`pasteDay.open.${block.kind}`)}
                </Link>
              </p>
            )}
          </div>
          <ul className="text-sm">
            {block.uses.map((use) => (
              <li key={use.pieceId}>
                {t('pasteDay.use', {
                  piece: pieceName(day, use.pieceId),
                  count: use.pieces,
                  each: grams(t, use.pieceG),
                  ball: use.ball,
                })}{' '}
                <span className="quiet whitespace-nowrap">{scale(t, use.grams)}</span>
              </li>
            ))}
            {block.remainsG >= 0.5 && (
              <li className="quiet">{t('pasteDay.remains', { mass: scale(t, block.remainsG) })}</li>
            )}
          </ul>
        </div>
      </li>
    </>
  )
}

function Making({ block, nameOf }: { block: Block; nameOf: NameOf }) {
  const { t } = useTranslation()
  const { ombre, marble, parts } = block
  if (ombre) {
    return (
      <ol className="list-decimal pl-5 text-sm print:leading-tight">
        {ombre.steps.map((step, i) => (
          <li key={i}>
            {ombreStepWords(t, step, nameOf)}
            {step.act === 'makePaste' && step.batch && <PasteSteps batch={step.batch} nameOf={nameOf} letDownsApart />}
          </li>
        ))}
      </ol>
    )
  }
  return (
    <>
      {parts.map((part, i) => (
        <div key={i} className="text-sm">
          {!block.leftover && (
            <p>{t('ombre.act.weigh', { mass: scale(t, part.weighG), name: nameOf(part.recipe.baseId) })}</p>
          )}
          <PasteSteps batch={part.batch} nameOf={nameOf} letDownsApart />
        </div>
      ))}
      {marble && (
        <p className="text-sm">
          {t('marble.steps.lay', { count: marble.repeats, pastes: parts.length })}{' '}
          {t('marble.steps.fold', { count: marble.folds })}{' '}
          {marble.twist > 0 && t('marble.steps.twist', { percent: Math.round(100 * marble.twist) })}{' '}
          {t('marble.steps.roll', { thickness: block.thicknessMm })}
        </p>
      )}
    </>
  )
}

/** "Hellebore, sepals: 78 g" */
export function titleOf(t: TFunction, block: Block, day: PasteDay): string {
  const mass = scale(t, block.totalG)
  if (block.kind === 'paste') {
    return t('pasteDay.block.paste', { pieces: block.uses.map((use) => pieceName(day, use.pieceId)).join('; '), mass })
  }
  return t(`pasteDay.block.${block.kind}`, {
    flower: flowersOf(day).find((one) => one.id === block.flowerIds[0])?.name,
    mass,
  })
}

const flowersOf = (day: PasteDay) => day.commissions.flatMap((one) => one.flowers)

/** "Hellebore, sepals" */
export function pieceName(day: PasteDay, pieceId: string): string {
  for (const flower of flowersOf(day)) {
    const piece = flower.pieces.find((one) => one.id === pieceId)
    if (piece) return `${flower.name}, ${inSentence(piece.name)}`
  }
  return pieceId
}
