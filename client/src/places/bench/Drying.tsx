import type { BenchAnswer, BenchTaskView, Operation } from '../../api/api'
import { rounded } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { stepWords } from '../sheets/stepWords'
import { leftWords } from './clockWords'

/** What dries and rests by itself, the soonest first, and until when. */
export function Drying({
  drying,
  resting,
  learned,
  now,
  nameOf,
  whenOf,
  onTouched,
}: {
  drying: { task: BenchTaskView; since: number | null; until: number }[]
  resting: { operation: Operation; until: number }[]
  learned: BenchAnswer['learned']
  now: number
  nameOf: NameOf
  whenOf: (at: number) => string
  onTouched: (task: BenchTaskView) => void
}) {
  const { t } = useTranslation()
  const rows = [
    ...resting.map(({ operation, until }) => ({
      operation,
      task: null,
      until,
      share: 1 - (until - now) / (60_000 * operation.waitMinutes),
    })),
    ...drying.map(({ task, since, until }) => ({
      operation: task.operation,
      task,
      until,
      share: since ? (now - since) / (until - since) : 0,
    })),
  ].sort((one, other) => one.until - other.until)
  if (rows.length === 0) return null
  return (
    <section aria-labelledby="drying">
      <h2 id="drying" className="text-lg font-semibold">
        {t('benchDay.drying')}
      </h2>
      <ul>
        {rows.map(({ operation, task, until, share }) => (
          <li key={operation.id} className="border-base-300 border-b py-1.5">
            <div className="flex flex-wrap items-center justify-between gap-x-3">
              <span className="font-semibold">{piecesOf(operation)}</span>
              <span className="tabular-nums">{t('benchDay.dryUntil', { when: whenOf(until) })}</span>
            </div>
            <progress
              aria-hidden
              className="progress progress-primary block h-1.5 w-full"
              value={Math.min(1, Math.max(0, share))}
              max={1}
            />
            <div className="quiet flex items-center justify-between gap-3 text-sm">
              <span>
                {stepWords(t, operation, nameOf).what} · {t('benchDay.left', { time: leftWords(t, until - now) })}
              </span>
              {task && operation.step.kind === 'dryPieces' && (
                <button className="btn btn-sm text-base-content" onClick={() => onTouched(task)}>
                  {t(`benchDay.is.${operation.step.until}`)}
                  <span className="sr-only"> {piecesOf(operation)}</span>
                </button>
              )}
            </div>
          </li>
        ))}
      </ul>
      <p className="quiet mt-1 text-sm">
        {t('benchDay.learned', {
          count: learned.count,
          factor: rounded(learned.factor, 2),
          low: rounded(learned.low, 1),
          high: rounded(learned.high, 1),
        })}
      </p>
    </section>
  )
}

const piecesOf = ({ lots }: Operation) => [...new Set(lots.map((lot) => lot.pieceName ?? lot.flowerName))].join(', ')
