import { useMutation } from '@tanstack/react-query'
import { Copy } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from './translation'
import { Choice } from './Choice'
import { Failure } from './Message'
import { SelectField } from './SelectField'
import { TextField } from './TextField'
import { useProblems } from './useProblems'
import { ChangeCommissionsCopyLimits } from '../api/limits'

interface Wanted {
  name: string
  dueOn?: string
  commissionId?: string
  withColours: boolean
}

/** A copy of a commission or a flower, with its colours or to colour anew. */
export function CopyForm({
  name: firstName,
  dueOn: firstDay,
  into,
  onCopy,
  onDone,
}: {
  name: string
  /** Only for a commission. */
  dueOn?: string
  /** Only for a flower: where it may go, its own commission first. */
  into?: { id: string; name: string }[]
  onCopy: (wanted: Wanted) => Promise<{ id: string }>
  onDone: (id: string) => void
}) {
  const { t } = useTranslation()
  const [name, setName] = useState(firstName)
  const [dueOn, setDueOn] = useState(firstDay)
  const [commissionId, setCommissionId] = useState(into?.[0]?.id)
  const [withColours, setWithColours] = useState(true)
  const copy = useMutation({
    mutationFn: () => onCopy({ name, dueOn, commissionId, withColours }),
    onSuccess: ({ id }) => onDone(id),
  })
  const problemAt = useProblems([copy.error])
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        copy.mutate()
      }}
    >
      <TextField
        label={t('copy.name')}
        value={name}
        most={ChangeCommissionsCopyLimits.name.maxLength}
        problem={problemAt('name')}
        className="w-56"
        onChange={setName}
      />
      {dueOn !== undefined && (
        <TextField
          label={t('commission.dueOn')}
          type="date"
          value={dueOn}
          problem={problemAt('dueOn')}
          className="w-40"
          onChange={setDueOn}
        />
      )}
      {into && into.length > 1 && (
        <SelectField
          label={t('copy.into')}
          value={commissionId ?? ''}
          options={into.map((one) => ({ value: one.id, label: one.name }))}
          onChoose={setCommissionId}
        />
      )}
      <Choice
        legend={t('copy.colours')}
        options={[
          { value: 'with', label: t('copy.with') },
          { value: 'without', label: t('copy.without') },
        ]}
        chosen={withColours ? 'with' : 'without'}
        onChoose={(chosen) => setWithColours(chosen === 'with')}
      />
      <button className="btn btn-sm" disabled={copy.isPending}>
        <Copy size={15} aria-hidden />
        {t('copy.make')}
      </button>
      <div className="basis-full">
        <Failure error={copy.error} nameOf={(id) => id} />
      </div>
    </form>
  )
}
