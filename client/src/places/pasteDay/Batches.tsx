import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { useSearchParams } from 'wouter'
import type { BatchState, KeptBatch } from '../../api/api'
import { queries } from '../../api/queries'
import { BatchLook, batchVerdict } from '../../shared/BatchLook'
import { Reading, Unreadable } from '../../shared/Message'
import { Opened } from '../../shared/Opened'
import { PutBack } from '../../shared/PutBack'
import { SearchField } from '../../shared/SearchField'
import { SelectField } from '../../shared/SelectField'
import { useArrival } from '../../shared/useArrival'
import type { NameOf } from '../../shared/words'
import { dayWords, grams } from '../../shared/words'
import { BatchEditor } from './BatchEditor'
import { inOrder, moment } from '../../shared/numbers'

const states: BatchState[] = ['planned', 'resting', 'made', 'inUse', 'usedUp']

/** Every paste that was planned or mixed, by what it is at the moment. */
export function Batches({ nameOf }: { nameOf: NameOf }) {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.batches())
  const [asked] = useSearchParams()
  const [wanted, setWanted] = useState('')
  const [order, setOrder] = useState<Order>('newest')
  const [showUsedUp, setShowUsedUp] = useState(false)
  const [removed, setRemoved] = useState<KeptBatch | null>(null)
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const found = sorted(
    data.filter((batch) =>
      [batch.name, batch.note, batch.commissionName, batch.made?.keptIn ?? '']
        .join(' ')
        .toLowerCase()
        .includes(wanted.trim().toLowerCase()),
    ),
    order,
  )
  const usedUp = found.filter((batch) => batch.state === 'usedUp').length
  const isWanted = (batch: KeptBatch) => batch.id === asked.get('batch')
  return (
    <section aria-label={t('pasteDay.batches')} className="mt-3">
      <p className="quiet max-w-prose text-sm">{t(data.length === 0 ? 'batch.none' : 'batch.help')}</p>
      <PutBack removed={removed} onBack={() => setRemoved(null)} />
      {data.length > 0 && (
        <div className="mt-2 flex flex-wrap items-end gap-4">
          <SearchField label={t('batch.search')} value={wanted} onChange={setWanted} />
          <SelectField
            label={t('sort.by')}
            value={order}
            options={orders.map((value) => ({ value, label: t(`batch.order.${value}`) }))}
            onChoose={(value) => setOrder(value as Order)}
          />
        </div>
      )}
      {data.length > 0 && found.length === 0 && (
        <p role="status" className="mt-3 text-sm">
          {t('batch.noneFound', { wanted })}
        </p>
      )}
      {states
        .filter(
          (state) =>
            state !== 'usedUp' || showUsedUp || found.some((batch) => batch.state === 'usedUp' && isWanted(batch)),
        )
        .map((state) => ({ state, batches: found.filter((batch) => batch.state === state) }))
        .filter(({ batches }) => batches.length > 0)
        .map(({ state, batches }) => (
          <section key={state} aria-labelledby={`batches-${state}`} className="mt-4">
            <h2 id={`batches-${state}`} className="font-semibold">
              {t(`batch.state.${state}`)}
            </h2>
            <ul className="divide-base-300 border-base-300 mt-1 divide-y border-y">
              {batches.map((batch) => (
                <Row
                  key={batch.id}
                  batch={batch}
                  isWanted={isWanted(batch)}
                  nameOf={nameOf}
                  onRemoved={() => setRemoved(batch)}
                />
              ))}
            </ul>
          </section>
        ))}
      {usedUp > 0 && !showUsedUp && (
        <button className="btn btn-sm mt-4" onClick={() => setShowUsedUp(true)}>
          {t('batch.usedUpShown', { count: usedUp })}
        </button>
      )}
    </section>
  )
}

const orders = ['newest', 'name', 'left', 'colour'] as const
type Order = (typeof orders)[number]

function sorted(batches: KeptBatch[], order: Order): KeptBatch[] {
  const by: Record<Order, (one: KeptBatch, other: KeptBatch) => number> = {
    newest: () => 0,
    name: (one, other) => inOrder(one.name, other.name),
    left: (one, other) => (other.made?.leftG ?? 0) - (one.made?.leftG ?? 0),
    colour: (one, other) => other.target.lab.l - one.target.lab.l,
  }
  return [...batches].sort(by[order])
}

function Row({
  batch,
  isWanted,
  nameOf,
  onRemoved,
}: {
  batch: KeptBatch
  /** It was jumped to. */
  isWanted: boolean
  nameOf: NameOf
  onRemoved: () => void
}) {
  const { t } = useTranslation()
  const [isOpen, setIsOpen] = useState(isWanted)
  const row = useArrival<HTMLLIElement>(isWanted)
  const { made } = batch
  const facts = made
    ? [
        t('batch.made', { mass: grams(t, made.grams), day: dayWords(made.at) }),
        t('batch.left', { mass: grams(t, made.leftG) }),
        made.keptIn && t('batch.in', { place: made.keptIn }),
        batch.state === 'resting' && t('batch.restsUntil', { time: timeWords(batch.restedAt!) }),
      ]
    : [t('batch.planned', { mass: grams(t, batch.pasteG) })]
  return (
    <li ref={row} tabIndex={-1} className="py-2 outline-none">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <BatchLook batch={batch} />
        <div className="min-w-0 grow basis-40 text-sm">
          <p className="font-semibold">{batch.name}</p>
          <p>{facts.filter(Boolean).join(', ')}</p>
          <p className="quiet">
            {batchVerdict(t, batch)}
            {batch.note && `. ${batch.note}`}
          </p>
        </div>
        <button
          className="btn btn-sm"
          aria-expanded={isOpen}
          aria-label={isOpen ? undefined : t('batch.openOf', { name: batch.name })}
          onClick={() => setIsOpen(!isOpen)}
        >
          {t(isOpen ? 'batch.close' : 'batch.open')}
        </button>
      </div>
      {isOpen && (
        <Opened onClose={() => setIsOpen(false)}>
          <BatchEditor
            key={batch.version}
            batch={batch}
            nameOf={nameOf}
            onDone={() => setIsOpen(false)}
            onRemoved={onRemoved}
          />
        </Opened>
      )}
    </li>
  )
}

/** "14:30", or with its day if that is not today. */
function timeWords(iso: string): string {
  const at = new Date(iso)
  const time = moment(at, { hour: '2-digit', minute: '2-digit' })
  return at.toDateString() === new Date().toDateString() ? time : `${dayWords(iso)}, ${time}`
}
