import type { OperationTime } from '../api/api'
import { dayAndTime } from './clockTime'
import { useTranslation } from './translation'
import { useTimeZone } from './useTimeZone'

/** When something is to be done by the plan in force, after its words; nothing where that is not planned or it is done. */
export function PlannedFor({
  time,
  timeZone,
  onlyDries = false,
}: {
  time?: OperationTime | null
  /** Of the studio. */
  timeZone: string
  /** Nobody begins it: what counts is when it is dry. */
  onlyDries?: boolean
}) {
  const { t } = useTranslation()
  const shown = useTimeZone(timeZone)
  if (!time?.from) return null
  return (
    <span className="quiet font-normal">
      {' · '}
      {onlyDries ? t('runSheet.dryBy', { when: dayAndTime(t, time.to, shown) }) : dayAndTime(t, time.from, shown)}
    </span>
  )
}
