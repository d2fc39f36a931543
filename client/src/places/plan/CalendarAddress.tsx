import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { moment } from '../../shared/numbers'
import { SecretAddress } from '../../shared/SecretAddress'
import { useTranslation } from '../../shared/translation'
import { useSecretAddress } from '../../shared/useSecretAddress'

/** The plan in a calendar: as a file, and at a private address that can be taken away again. */
export function CalendarAddress() {
  const { t } = useTranslation()
  const state = useQuery(queries.calendarAddress())
  const {
    told: path,
    make,
    withdraw,
  } = useSecretAddress(
    queries.calendarAddress().queryKey,
    () => answer(api.POST('/api/plan/calendar-address')),
    () => answer(api.DELETE('/api/plan/calendar-address')),
  )
  const madeAt = state.data?.madeAt
  return (
    <details className="relative mt-2 print:hidden">
      <summary className="act min-h-6 text-sm">{t('plan.calendar.title')}</summary>
      <div className="mt-2 max-w-prose space-y-2 text-sm">
        <p>
          <a className="act" href="/api/plan/calendar.ics" download>
            {t('plan.calendar.file')}
          </a>
        </p>
        <p>{t('plan.calendar.help')}</p>
        {path && <SecretAddress label={t('plan.calendar.address')} path={path} once={t('plan.calendar.once')} />}
        {madeAt && !path && <p>{t('plan.calendar.madeAt', { day: moment(madeAt, { dateStyle: 'long' }) })}</p>}
        <p className="flex flex-wrap gap-3">
          <button className="btn btn-sm" disabled={make.isPending} onClick={() => make.mutate()}>
            {t(madeAt ? 'plan.calendar.another' : 'plan.calendar.make')}
          </button>
          {madeAt && (
            <button className="btn btn-sm" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
              {t('plan.calendar.withdraw')}
            </button>
          )}
        </p>
        <Failure error={make.error ?? withdraw.error} nameOf={(id) => id} />
      </div>
    </details>
  )
}
