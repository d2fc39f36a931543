import { Hourglass } from 'lucide-react'
import { useTranslation } from '../../shared/translation'

const ownMinutes = [1, 5, 10, 20, 45]

/** What runs, in large figures, and timers of her own. */
export function TimerList({
  timers,
  onStart,
  onStop,
}: {
  /** @property left In words; null when it is over. */
  timers: { id: string; name: string; left: string | null }[]
  onStart: (minutes: number) => void
  onStop: (id: string) => void
}) {
  const { t } = useTranslation()
  return (
    <section aria-labelledby="timers">
      <h2 id="timers" className="text-lg font-semibold">
        {t('benchDay.timers')}
      </h2>
      <ul>
        {timers.map(({ id, name, left }) => (
          <li key={id} className={`border-base-300 border-b py-2 ${left === null ? 'font-semibold' : ''}`}>
            <span className="block text-sm">{name}</span>
            <span className="flex items-center justify-between gap-3">
              <span role="timer" aria-label={t('benchDay.timerOf', { name })} className="text-4xl tabular-nums">
                {left ?? t('benchDay.over')}
              </span>
              <button className="btn h-12 text-lg" onClick={() => onStop(id)}>
                {t(left === null ? 'benchDay.seen' : 'benchDay.stop')}
                <span className="sr-only"> {name}</span>
              </button>
            </span>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Hourglass size={18} aria-hidden />
        {ownMinutes.map((minutes) => (
          <button key={minutes} className="btn min-h-10" onClick={() => onStart(minutes)}>
            {t('benchDay.ownMinutes', { count: minutes })}
          </button>
        ))}
      </div>
    </section>
  )
}
