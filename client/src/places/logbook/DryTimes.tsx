import { useQuery } from '@tanstack/react-query'
import { queries } from '../../api/queries'
import { minutesWords } from '../../shared/minutesWords'
import { percent } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'
import { dayWords } from '../../shared/words'
import { inSentence } from '../../shared/inSentence'

/** What was found when pieces were touched at the bench, and how long things dry here by that. */
export function DryTimes() {
  const { t } = useTranslation()
  const { data } = useQuery(queries.dryTimes())
  if (!data || data.touches.length === 0) return null
  const { factor, low, high, count } = data.learned
  return (
    <details className="relative mt-1 text-sm">
      <summary className="act min-h-6">{t('learned.dry.title')}</summary>
      <p className="mt-1 max-w-prose">
        {t('learned.dry.learned', { percent: percent(factor) })},{' '}
        {t('learned.jar.surely', { low: percent(low), high: percent(high) })}, {t('learned.dry.count', { count })}.
      </p>
      <ul className="mt-1">
        {data.touches.map((touch) => {
          const [lot] = touch.lots
          const what = !lot
            ? t('learned.dry.gone')
            : lot.pieceName
              ? `${lot.flowerName}, ${inSentence(lot.pieceName)}`
              : lot.flowerName
          return (
            <li key={touch.id}>
              <time dateTime={touch.at}>{dayWords(touch.at)}</time>: {what},{' '}
              <span className="font-semibold">{t(touch.isDry ? 'learned.dry.dry' : 'learned.dry.notYet')}</span>{' '}
              {touch.minutes != null && t('learned.dry.after', { time: minutesWords(t, touch.minutes) })}{' '}
              <span className="quiet">
                {t('learned.dry.planned', { time: minutesWords(t, touch.plannedMinutes) })}
                {touch.by && ` · ${touch.by}`}
              </span>
            </li>
          )
        })}
      </ul>
    </details>
  )
}
