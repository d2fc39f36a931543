import { useQuery } from '@tanstack/react-query'
import { queries } from '../../api/queries'
import { percent } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'

/** How heavily the studio lays what its plans ask for, in words. */
export function Hand() {
  const { t } = useTranslation()
  const { data } = useQuery(queries.hand())
  if (!data || data.length === 0) return null
  return (
    <details className="relative mt-3 text-sm">
      <summary className="act min-h-6">{t('learned.hand.title')}</summary>
      <p className="quiet mt-1 max-w-prose">{t('learned.hand.help')}</p>
      <ul className="mt-1">
        {data.map((one) => (
          <li key={one.part}>
            {t(`learned.hand.${one.part}`)}: <span className="font-semibold">{heavinessWords(t, one.times.times)}</span>
            , {t('learned.jar.surely', { low: percent(one.times.low), high: percent(one.times.high) })},{' '}
            {t('learned.jar.count', { count: one.readings })}
          </li>
        ))}
      </ul>
    </details>
  )
}

/** "12 % heavier than planned" */
function heavinessWords(t: ReturnType<typeof useTranslation>['t'], times: number): string {
  const off = Math.round(100 * (times - 1))
  if (off === 0) return t('learned.hand.asPlanned')
  return t(off > 0 ? 'learned.hand.heavier' : 'learned.hand.lighter', { percent: Math.abs(off) })
}
