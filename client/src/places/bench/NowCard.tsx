import { Link } from 'wouter'
import type { BenchTaskView, Operation } from '../../api/api'
import { zones } from '../../api/api'
import { Problem } from '../../shared/Message'
import { PieceDrawing } from '../../shared/PieceDrawing'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { scale, zoneName } from '../../shared/words'
import { PasteSteps } from '../pasteDay/PasteSteps'
import { stepWords } from '../sheets/stepWords'
import { inSentence } from '../../shared/inSentence'

/** What it is done to: the flower, and its pieces where they are few. */
export function aboutWords({ lots }: Operation, withPieces: boolean): string {
  const [flowers, pieces] = [
    lots.map((lot) => lot.flowerName),
    lots.flatMap((lot) => (lot.pieceName ? inSentence(lot.pieceName) : [])),
  ]
  const named = [...new Set(pieces)]
  return [...new Set(flowers), ...(withPieces && named.length <= 3 ? named : [])].join(', ')
}

/** One thing to do, large enough for two metres. */
export function NowCard({
  task,
  when,
  closes,
  due,
  waits,
  nameOf,
}: {
  task: BenchTaskView
  /** That it is planned for; nothing where it is in no plan. */
  when: string | undefined
  /** When it has to be begun at the latest, if there is such a time. */
  closes: { time: string; isPast: boolean } | undefined
  /** Since when it should be dry. */
  due: string | undefined
  /** It is not its turn yet: until when it rests, or null while something before it is to do. */
  waits: { until: string | null } | undefined
  nameOf: NameOf
}) {
  const { t } = useTranslation()
  const { operation } = task
  const { step, lots } = operation
  const words = stepWords(t, operation, nameOf)
  const lot = lots[0]
  return (
    <section aria-labelledby="now" className="border-base-300 border-b pb-5">
      <p className="quiet flex flex-wrap gap-x-3 text-lg">
        <span id="now" className="text-base-content font-semibold">
          {t('benchDay.now')}
        </span>
        {[
          aboutWords(operation, false),
          when && t('benchDay.plannedFor', { when }),
          task.parts > 1 && t('benchDay.inParts', { count: task.parts }),
        ]
          .filter(Boolean)
          .map((one) => (
            <span key={String(one)}>{one}</span>
          ))}
      </p>
      {step.kind === 'dryPieces' ? (
        <>
          <h2 className="mt-2 text-3xl leading-tight font-semibold">{t(`benchDay.touch.${step.until}`)}</h2>
          <Lots operation={operation} />
          {due && <p className="mt-1 text-lg">{t('benchDay.touchDue', { time: due })}</p>}
          <p className="quiet mt-1 text-lg">{t('benchDay.touchHow')}</p>
        </>
      ) : (
        <>
          <h2 className="mt-2 text-3xl leading-tight font-semibold">{words.what}</h2>
          <Lots operation={operation} />
          {words.lines?.map((line) => (
            <p key={line} className="mt-1 text-xl">
              {line}
            </p>
          ))}
          {operation.paste && (
            <div className="mt-2 text-xl [&_*]:text-xl">
              {t('ombre.act.weigh', { mass: scale(t, operation.paste.weighG), name: nameOf(operation.paste.baseId) })}
              <PasteSteps batch={operation.paste.batch} nameOf={nameOf} letDownsApart />
            </div>
          )}
          {words.how && <p className="quiet mt-2 text-lg">{words.how}</p>}
        </>
      )}
      {waits && (
        <Problem>{waits.until ? t('benchDay.stillRests', { time: waits.until }) : t('benchDay.notItsTurn')}</Problem>
      )}
      <Looks task={task} />
      {task.tryFirst && <p className="mt-3 text-lg font-semibold">{t('benchDay.try')}</p>}
      {closes && !closes.isPast && (
        <p className="mt-3 text-lg font-semibold">{t('benchDay.closesAt', { time: closes.time })}</p>
      )}
      {closes?.isPast && <Problem>{t('benchDay.closed', { time: closes.time })}</Problem>}
      {(operation.step.cautions ?? []).length > 0 && (
        <p className="mt-3 text-sm">
          {(operation.step.cautions ?? []).map((caution) => t(`caution.${caution}`)).join(' ')}
        </p>
      )}
      <p className="mt-3 flex flex-wrap gap-x-5 gap-y-2 text-sm">
        {lot?.pieceId && (
          <>
            <Link className="act" to={`/flowers/${lot.flowerId}/${lot.pieceId}/run-sheet`}>
              {t('benchDay.sheet')}
            </Link>
            <Link className="act" to={`/flowers/${lot.flowerId}/${lot.pieceId}`}>
              {t('benchDay.measure')}
            </Link>
          </>
        )}
        {stepsAt(operation) && (
          <Link className="act" to={stepsAt(operation)!}>
            {t('benchDay.steps')}
          </Link>
        )}
        {operation.phase === 'paste' && (
          <Link className="act" to={rescueOf(operation)}>
            {t('benchDay.rescue')}
          </Link>
        )}
      </p>
    </section>
  )
}

/** The mixing table with the paste that is being kneaded, and as much as is in the bowl. */
const rescueOf = ({ step, lots, paste }: Operation) =>
  step.kind === 'makePaste' && paste && lots[0]?.pieceId
    ? `/mixing?piece=${lots[0].pieceId}&bowlG=${step.totalG}`
    : '/mixing'

/** Where a paste that is more than one mix is told step by step. */
function stepsAt({ step, paste }: Operation): string | null {
  if (step.kind !== 'makePaste' || paste) return null
  return step.block === 'paste' ? '/paste-day' : `/flowers/${step.flowerId}/${step.block}`
}

/** How it should look when this is done, zone by zone, on the neutral ground. */
function Looks({ task }: { task: BenchTaskView }) {
  const { t } = useTranslation()
  if (task.looks.length === 0) return null
  return (
    <figure className="surround mt-4 flex flex-wrap gap-x-8 gap-y-3 px-3 py-2">
      <figcaption className="w-full text-sm">{t('benchDay.lookAfter')}</figcaption>
      {task.looks.map((look) => {
        const piece = task.operation.lots.find((lot) => lot.pieceId === look.pieceId)?.pieceName ?? ''
        const isPlain = new Set(Object.values(look.finished)).size === 1
        return (
          <div key={look.pieceId} className="flex items-end gap-3">
            <span role="img" aria-label={isPlain ? t('benchDay.lookOf', { piece, zone: t('benchDay.all') }) : piece}>
              <PieceDrawing piece={look} heightPx={96} />
            </span>
            <div>
              <p className="text-sm font-semibold">{piece}</p>
              {!isPlain && (
                <ul className="flex">
                  {zones.map((zone) => {
                    const name = zoneName(t, zone, look.build)
                    return (
                      <li key={zone} className="w-14 text-xs">
                        <span
                          role="img"
                          aria-label={t('benchDay.lookOf', { piece, zone: inSentence(name) })}
                          className="block h-12"
                          style={{ backgroundColor: look.finished[zone] }}
                        />
                        {name}
                      </li>
                    )
                  })}
                </ul>
              )}
            </div>
          </div>
        )
      })}
    </figure>
  )
}

/** How many of what, a line each; the flower is named only where there are several. */
function Lots({ operation }: { operation: Operation }) {
  const { t } = useTranslation()
  const lots = operation.lots.filter((lot) => lot.pieceId !== null)
  const isOfOne = new Set(lots.map((lot) => lot.flowerId)).size === 1
  if (lots.length === 0) return null
  return (
    <ul className={`mt-2 text-xl ${lots.length > 3 ? 'sm:columns-2' : ''}`}>
      {lots.map(({ pieceId, flowerName, pieceName, count, pasteG, shade }) => (
        <li key={pieceId}>
          {[
            `${isOfOne ? (pieceName ?? '') : `${flowerName}, ${inSentence(pieceName ?? '')}`}: ${count}`,
            shade !== null && t('benchDay.shade', { shade }),
            pasteG !== null && scale(t, pasteG),
          ]
            .filter(Boolean)
            .join(' · ')}
        </li>
      ))}
    </ul>
  )
}
