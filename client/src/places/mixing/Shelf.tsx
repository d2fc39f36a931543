import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { ColourView, KeptBatch, MixingTable } from '../../api/api'
import { answer, api } from '../../api/api'
import { RequestFailed } from '../../core/RequestFailed'
import { queries } from '../../api/queries'
import { BatchLook, batchVerdict } from '../../shared/BatchLook'
import { ColourEntry } from '../../shared/ColourEntry'
import { keepBatch } from '../../shared/keepBatch'
import { Problem } from '../../shared/Message'
import { PutBack } from '../../shared/PutBack'
import { Swatch } from '../../shared/Swatch'
import { dayWords, deltaE, differenceWords, grams, troubleWords } from '../../shared/words'
import { fromBatch, fromPiece } from './starts'
import type { Table } from './tableState'

/** Batches that were kept, and pastes that were logged, each to go on from. */
export function Shelf({ shelf, onBegin }: { shelf: MixingTable; onBegin: (part: Partial<Table>) => void }) {
  const { t } = useTranslation()
  const [removed, setRemoved] = useState<KeptBatch | null>(null)
  const client = useQueryClient()
  const read = () => client.invalidateQueries(queries.mixingTable())
  return (
    <div
      className="max-h-80 space-y-1 overflow-y-auto pr-1"
      tabIndex={0}
      role="group"
      aria-label={t('mixing.shelf.title')}
    >
      {shelf.batches.length + shelf.readings.length === 0 && <p className="text-sm">{t('mixing.shelf.none')}</p>}
      <PutBack removed={removed} onBack={() => setRemoved(null)} />
      <ul className="divide-base-300 divide-y text-sm">
        {shelf.batches.map((batch) => (
          <Kept
            key={batch.id}
            batch={batch}
            commission={shelf.commissions.find((one) => one.id === batch.commissionId)?.name ?? ''}
            onOpen={() => onBegin(fromBatch(batch, shelf))}
            onRemoved={() => {
              setRemoved(batch)
              void read()
            }}
          />
        ))}
        {shelf.readings.map((reading) => {
          const piece = shelf.pieces.find((one) => one.id === reading.pieceId)
          const laid = piece && fromPiece(piece, shelf)
          if (!piece || !laid) return null
          return (
            <li key={reading.id} className="flex items-center gap-2 py-1.5">
              <span className="border-surround flex border-4">
                <Swatch colour={reading.actual} label={t('log.actualShort')} className="h-7 w-9" />
              </span>
              <span className="min-w-0 grow">
                {laid.targetName}
                <span className="quiet block text-xs">
                  {t('mixing.shelf.logged', { day: dayWords(reading.loggedAt) })}{' '}
                  {differenceWords(t, reading.difference)} {deltaE(reading.difference.deltaE)}
                </span>
              </span>
              <button
                className="btn btn-xs"
                aria-label={t('mixing.shelf.open', { name: laid.targetName })}
                onClick={() =>
                  onBegin({
                    ...laid,
                    target: reading.actual.lab,
                    targetName: t('mixing.shelf.like', { name: laid.targetName }),
                  })
                }
              >
                {t('mixing.shelf.openShort')}
              </button>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

function Kept({
  batch,
  commission,
  onOpen,
  onRemoved,
}: {
  batch: KeptBatch
  commission: string
  onOpen: () => void
  onRemoved: () => void
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [reading, setReading] = useState(false)
  const [came, setCame] = useState<ColourView | null>(batch.measured)
  const read = useMutation({
    mutationFn: () => keepBatch({ ...batch, measured: came }),
    onSuccess: () => setReading(false),
    onSettled: () => client.invalidateQueries(queries.mixingTable()),
  })
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/batches/{id}', { params: { path: { id: batch.id } } })),
    onSuccess: onRemoved,
  })
  const failed = [read.error, remove.error].find((error) => error instanceof RequestFailed)
  return (
    <li className="py-1.5">
      <div className="flex items-center gap-2">
        <BatchLook batch={batch} />
        <span className="min-w-0 grow">
          {batch.name}
          <span className="quiet block text-xs">
            {commission}, {grams(t, batch.pasteG)}; {batchVerdict(t, batch)}
          </span>
        </span>
        <button className="btn btn-xs" aria-label={t('mixing.shelf.open', { name: batch.name })} onClick={onOpen}>
          {t('mixing.shelf.openShort')}
        </button>
      </div>
      <div className="mt-1 flex flex-wrap gap-2">
        <button className="btn btn-ghost btn-xs" aria-expanded={reading} onClick={() => setReading(!reading)}>
          {t('mixing.shelf.read')}
        </button>
        <button
          className="btn btn-ghost btn-xs"
          aria-label={t('mixing.shelf.remove', { name: batch.name })}
          onClick={() => remove.mutate()}
        >
          {t('editor.remove')}
        </button>
      </div>
      {reading && (
        <div className="mt-1 space-y-2">
          <ColourEntry label={t('log.actual')} colour={came} onChange={setCame} />
          <button className="btn btn-sm" disabled={!came || read.isPending} onClick={() => read.mutate()}>
            {t('mixing.shelf.saveReading')}
          </button>
        </div>
      )}
      {failed && <Problem>{troubleWords(t, failed)}</Problem>}
    </li>
  )
}
