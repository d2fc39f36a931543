import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { moment } from '../../shared/numbers'
import { SecretAddress } from '../../shared/SecretAddress'
import { useTranslation } from '../../shared/translation'

/** The plan in a calendar: as a file, and at a private address that can be taken away again. */
export function CalendarAddress() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const state = useQuery(queries.calendarAddress())
  const [path, setPath] = useState<string | null>(null)
  const readAgain = () => client.invalidateQueries({ queryKey: queries.calendarAddress().queryKey })
  const make = useMutation({
    mutationFn: () => answer(api.POST('/api/plan/calendar-address')),
    onSuccess: async (made) => {
      setPath(made.path)
      await readAgain()
    },
  })
  const withdraw = useMutation({
    mutationFn: () => answer(api.DELETE('/api/plan/calendar-address')),
    onSuccess: async () => {
      setPath(null)
      await readAgain()
    },
  })
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
