import { Problem } from '../../shared/Message'
import { useTranslation } from '../../shared/translation'
import { whenWords } from './clockWords'
import type { Told } from './useBench'

/** What somebody else came between, until it is read. */
export function ToldList({
  told,
  whatOf,
  timeZone,
  now,
  onRead,
}: {
  told: Told[]
  whatOf: (id: string | null) => string
  timeZone: string
  now: number
  onRead: (id: string) => void
}) {
  const { t } = useTranslation()
  if (told.length === 0) return null
  return (
    <div role="alert" className="mb-4 space-y-1">
      {told.map(({ id, kind, operationId, by, at }) => (
        <div key={id} className="flex flex-wrap items-center gap-3">
          <Problem>
            {t(kind === 'refused' ? 'benchDay.refused' : `benchDay.clash.${kind}`, {
              what: whatOf(operationId) || t('benchDay.title'),
              by: by || t('benchDay.somebody'),
              time: at ? whenWords(t, Date.parse(at), now, timeZone) : '',
            })}
          </Problem>
          <button className="btn btn-sm" onClick={() => onRead(id)}>
            {t('benchDay.clashSeen')}
          </button>
        </div>
      ))}
    </div>
  )
}
