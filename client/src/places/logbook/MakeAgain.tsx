import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useLocation } from 'wouter'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'

/** Puts the piece of an entry into a commission once more, as it was planned then. */
export function MakeAgain({ id, what, nameOf }: { id: string; what: string; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [, go] = useLocation()
  const [isOpen, setOpen] = useState(false)
  const all = useQuery({ ...queries.commissions(), enabled: isOpen }).data?.commissions ?? []
  const commissions = all.map((one) => one.commission)
  const [into, setInto] = useState('')
  const chosen = into || commissions[0]?.id || ''
  const make = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/log-entries/{id}/made-again', { params: { path: { id } }, body: { commissionId: chosen } }),
      ),
    onSuccess: async ({ flowerId, pieceId }) => {
      await client.invalidateQueries()
      go(`/flowers/${flowerId}/${pieceId}`)
    },
  })
  if (!isOpen)
    return (
      <button className="act min-h-6 cursor-pointer" onClick={() => setOpen(true)}>
        {t('learned.entry.pieceAgain')}
        <span className="sr-only">: {what}</span>
      </button>
    )
  return (
    <span className="flex flex-wrap items-end gap-2">
      <SelectField
        label={t('copy.into')}
        value={chosen}
        options={commissions.map((one) => ({ value: one.id, label: one.name }))}
        onChoose={setInto}
      />
      <button className="btn btn-sm" disabled={!chosen || make.isPending} onClick={() => make.mutate()}>
        {t('learned.entry.putThere')}
      </button>
      <Failure error={make.error} nameOf={nameOf} />
    </span>
  )
}
