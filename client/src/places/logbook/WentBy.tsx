import type { LogEntry } from '../../api/api'
import { percent } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'

/** What was known of jars, of the hand and of resting when an entry's colour was predicted. */
export function WentBy({ learned, nameOf }: { learned: NonNullable<LogEntry['learned']>; nameOf: NameOf }) {
  const { t } = useTranslation()
  const known = [
    ...learned.jars.map((one) => ({
      ...one,
      key: `${one.materialId} ${one.lot}`,
      name: one.lot ? `${nameOf(one.materialId)}, ${one.lot}` : nameOf(one.materialId),
      of: t('learned.entry.ofList'),
    })),
    ...learned.hand.map((one) => ({
      ...one,
      key: one.part,
      name: t(`learned.hand.${one.part}`),
      of: t('learned.entry.ofPlan'),
    })),
  ]
  return (
    <details className="relative mt-1">
      <summary className="act min-h-6">{t('learned.entry.wentBy')}</summary>
      <ul className="mt-1">
        {known.map((one) => (
          <li key={one.key}>
            {t('learned.entry.known', { name: one.name, percent: percent(one.times), of: one.of })},{' '}
            {one.readings === 0 ? t('learned.entry.neverRead') : t('learned.jar.count', { count: one.readings })}
          </li>
        ))}
        {learned.restTimes !== 1 && (
          <li>
            {t('learned.entry.known', {
              name: t('learned.hand.rest'),
              percent: percent(learned.restTimes),
              of: t('learned.entry.ofList'),
            })}
          </li>
        )}
      </ul>
    </details>
  )
}
