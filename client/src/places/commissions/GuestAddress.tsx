import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { moment } from '../../shared/numbers'
import { SecretAddress } from '../../shared/SecretAddress'
import { useTranslation } from '../../shared/translation'
import { useProblems } from '../../shared/useProblems'
import { useSecretAddress } from '../../shared/useSecretAddress'

/** A private address under which the client looks at this commission, and nothing else. */
export function GuestAddress({ commissionId }: { commissionId: string }) {
  const { t } = useTranslation()
  const path = { id: commissionId }
  const state = useQuery(queries.guestAddress(commissionId)).data
  const [chosen, setChosen] = useState<number | null>(null)
  const days = chosen ?? state?.usualDays ?? 0
  const { told, make, withdraw } = useSecretAddress(
    queries.guestAddress(commissionId).queryKey,
    () => answer(api.POST('/api/commissions/{id}/guest-address', { params: { path }, body: { days } })),
    () => answer(api.DELETE('/api/commissions/{id}/guest-address', { params: { path } })),
  )
  const problemAt = useProblems([make.error])
  return (
    <section aria-labelledby="guest" className="border-base-300 mt-8 max-w-2xl space-y-3 border-t pt-4 text-sm">
      <h2 id="guest" className="font-semibold">
        {t('guest.title')}
      </h2>
      <p className="quiet">{t('guest.help')}</p>
      {told && <SecretAddress label={t('guest.address')} path={told} once={t('guest.once')} />}
      {state?.expiresAt && <p>{t('guest.until', { day: moment(state.expiresAt, { dateStyle: 'long' }) })}</p>}
      <div className="flex flex-wrap items-end gap-3">
        <NumberField label={t('guest.days')} value={days} whole problem={problemAt('days')} onChange={setChosen} />
        <button className="btn btn-sm" disabled={make.isPending || !state} onClick={() => make.mutate()}>
          {t(state?.expiresAt ? 'guest.another' : 'guest.make')}
        </button>
        {state?.expiresAt && (
          <button className="btn btn-sm" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
            {t('guest.withdraw')}
          </button>
        )}
      </div>
      <Failure error={problemAt('days') ? null : (make.error ?? withdraw.error)} nameOf={(id) => id} />
    </section>
  )
}
