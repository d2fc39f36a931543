import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { MixingTable } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { KeepBatchRequestLimits } from '../../api/limits'
import { queries } from '../../api/queries'
import { newId } from '../../shared/newId'
import { Failure } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { TextField } from '../../shared/TextField'
import type { NameOf } from '../../shared/words'
import type { Table } from './tableState'
import { UseForPiece } from './UseForPiece'
import { inSentence } from '../../shared/inSentence'

/** Keeps the mix on the table as a batch for a commission. */
export function KeepForm({ shelf, table, nameOf }: { shelf: MixingTable; table: Table; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [name, setName] = useState(table.targetName)
  const [chosen, setChosen] = useState<string | null>(null)
  const commissionId = chosen ?? table.commissionId ?? shelf.commissions[0]?.id ?? ''
  // One id for one keeping, however often it has to be sent.
  const [id, setId] = useState(() => newId())
  const keep = useMutation({
    mutationFn: (place: number) =>
      answer(
        api.PUT('/api/batches/{id}', {
          params: { path: { id } },
          headers: madeFrom(0),
          body: {
            commissionId,
            name: table.mixes.length > 1 ? `${name} ${'AB'[place]}` : name,
            recipe: table.mixes[place]!,
            pasteG: table.pasteG,
            target: table.target!,
            measured: null,
            note: '',
          },
        }),
      ),
    onSuccess: () => {
      setId(newId())
      return client.invalidateQueries(queries.mixingTable())
    },
  })
  const piece = shelf.pieces.find((one) => one.id === table.pieceId)
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
        <TextField
          label={t('mixing.keep.name')}
          value={name}
          most={KeepBatchRequestLimits.name.maxLength}
          className="w-64"
          onChange={setName}
        />
        <SelectField
          label={t('mixing.keep.commission')}
          value={commissionId}
          options={shelf.commissions.map((one) => ({ value: one.id, label: one.name }))}
          onChoose={setChosen}
        />
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
      {piece &&
        table.mixes.map((mix, place) => (
          <UseForPiece
            key={place}
            piece={piece}
            recipe={mix}
            nameOf={nameOf}
            words={t(table.mixes.length > 1 ? 'mixing.use.mixFor' : 'mixing.use.for', {
              letter: 'AB'[place],
              piece: `${piece.flowerName}, ${inSentence(piece.name)}`,
            })}
          />
        ))}
      {shelf.commissions.length === 0 && <p className="quiet mt-1 text-sm">{t('mixing.keep.noCommission')}</p>}
      <Failure error={keep.error} nameOf={nameOf} kept />
    </section>
  )
}
