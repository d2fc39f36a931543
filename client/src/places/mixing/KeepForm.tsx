import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import type { MixingTable } from '../../api/api'
import { answer, api, RequestFailed } from '../../api/api'
import { queries } from '../../api/queries'
import { Problem } from '../../shared/Message'
import { problemWords } from '../../shared/words'
import type { Table } from './tableState'

/** Keeps the mix on the table as a batch for a commission. */
export function KeepForm({ shelf, table }: { shelf: MixingTable; table: Table }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [name, setName] = useState(table.targetName)
  const [chosen, setChosen] = useState<string | null>(null)
  const commissionId = chosen ?? table.commissionId ?? shelf.commissions[0]?.id ?? ''
  // One id for one keeping, however often it has to be sent.
  const [id, setId] = useState(() => crypto.randomUUID())
  const keep = useMutation({
    mutationFn: (place: number) =>
      answer(
        api.PUT('/api/batches/{id}', {
          params: { path: { id } },
          body: {
            commissionId,
            name: table.mixes.length > 1 ? `${name} ${'AB'[place]}` : name,
            recipe: table.mixes[place]!,
            pasteG: table.pasteG,
            target: table.target!,
            measured: null,
            note: '',
            version: 0,
          },
        }),
      ),
    onSuccess: () => {
      setId(crypto.randomUUID())
      return client.invalidateQueries(queries.mixingTable())
    },
  })
  const failed = keep.error instanceof RequestFailed ? keep.error : null
  return (
    <section aria-label={t('mixing.keep.title')} className="border-base-300 border-t px-4 py-4 lg:px-6">
      <h2 className="font-semibold">{t('mixing.keep.title')}</h2>
      <form
        className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          keep.mutate(0)
        }}
      >
        <label className="text-xs">
          <span className="quiet block">{t('mixing.keep.name')}</span>
          <input
            className="input input-sm w-64"
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="text-xs">
          <span className="quiet block">{t('mixing.keep.commission')}</span>
          <select
            className="select select-sm w-64"
            value={commissionId}
            onChange={(event) => setChosen(event.target.value)}
          >
            {shelf.commissions.map((commission) => (
              <option key={commission.id} value={commission.id}>
                {commission.name}
              </option>
            ))}
          </select>
        </label>
        <button className="btn btn-sm" disabled={keep.isPending || commissionId === ''}>
          {table.mixes.length > 1 ? t('mixing.keep.keepA') : t('mixing.keep.keep')}
        </button>
        {table.mixes.length > 1 && (
          <button type="button" className="btn btn-sm" disabled={keep.isPending} onClick={() => keep.mutate(1)}>
            {t('mixing.keep.keepB')}
          </button>
        )}
        {keep.isSuccess && <p role="status">{t('mixing.keep.kept')}</p>}
      </form>
      {shelf.commissions.length === 0 && <p className="quiet mt-1 text-sm">{t('mixing.keep.noCommission')}</p>}
      {failed && (
        <div role="alert">
          {failed.problems.length === 0 ? (
            <Problem>
              {t(`trouble.${failed.code}`)} {t('log.kept')}
            </Problem>
          ) : (
            failed.problems.map((problem, i) => <Problem key={i}>{problemWords(t, problem, (one) => one)}</Problem>)
          )}
        </div>
      )}
    </section>
  )
}
