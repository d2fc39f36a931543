import { useQuery } from '@tanstack/react-query'
import type { LikelyTimes } from '../../api/api'
import { queries } from '../../api/queries'
import { percent } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'

/** How heavily the studio lays what its plans ask for, and how much its own units hold, in words. */
export function Hand() {
  const { t } = useTranslation()
  const { data } = useQuery(queries.hand())
  if (!data || (data.coats.length + data.units.length === 0 && !data.rest)) return null
  return (
    <details className="relative mt-3 text-sm">
      <summary className="act min-h-6">{t('learned.hand.title')}</summary>
      <p className="quiet mt-1 max-w-prose">{t('learned.hand.help')}</p>
      <ul className="mt-1">
        {data.coats.map((one) => (
          <Part key={one.part} name={t(`learned.hand.${one.part}`)} than={t('learned.hand.planned')} {...one} />
        ))}
        {data.units.map((one) => (
          <Part
            key={`${one.kind} ${one.isWeighed}`}
            name={
              one.isWeighed
                ? t('learned.hand.weighed', { units: t(`dose.many.${one.kind}`) })
                : t('learned.hand.units', { units: t(`dose.many.${one.kind}`) })
            }
            than={t('learned.hand.written')}
            {...one}
          />
        ))}
        {data.rest && (
          <Part
            name={t('learned.hand.rest')}
            than={t('learned.hand.listed')}
            more={t('learned.hand.slower', { percent: percentOff(data.rest.times) })}
            less={t('learned.hand.faster', { percent: percentOff(data.rest.times) })}
            {...data.rest}
          />
        )}
      </ul>
    </details>
  )
}

const percentOff = (times: LikelyTimes) => Math.abs(Math.round(100 * (times.times - 1)))

/** "Light dust: 12 % heavier than planned, ..." */
function Part({
  name,
  than,
  more,
  less,
  times,
  readings,
}: {
  name: string
  than: string
  /** In other words than heavier and lighter. */
  more?: string
  less?: string
  times: LikelyTimes
  readings: number
}) {
  const { t } = useTranslation()
  const off = Math.round(100 * (times.times - 1))
  const percentWords = { percent: percentOff(times), than }
  return (
    <li>
      {name}:{' '}
      <span className="font-semibold">
        {off === 0
          ? t('learned.hand.as', { than })
          : off > 0
            ? (more ?? t('learned.hand.heavier', percentWords))
            : (less ?? t('learned.hand.lighter', percentWords))}
      </span>
      , {t('learned.jar.surely', { low: percent(times.low), high: percent(times.high) })},{' '}
      {t('learned.jar.count', { count: readings })}
    </li>
  )
}
