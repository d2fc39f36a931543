import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import type { BatchState, KeptBatch } from '../../api/api'
import { queries } from '../../api/queries'
import { BatchLook, batchVerdict } from '../../shared/BatchLook'
import { Reading, Unreadable } from '../../shared/Message'
import { PutBack } from '../../shared/PutBack'
import type { NameOf } from '../../shared/words'
import { dayWords, grams } from '../../shared/words'
import { BatchEditor } from './BatchEditor'

const states: BatchState[] = ['planned', 'resting', 'made', 'inUse', 'usedUp']

/** Every paste that was planned or mixed, by what it is at the moment. */
export function Batches({ nameOf }: { nameOf: NameOf }) {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.batches())
  const [showUsedUp, setShowUsedUp] = useState(false)
  const [removed, setRemoved] = useState<KeptBatch | null>(null)
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const usedUp = data.filter((batch) => batch.state === 'usedUp').length
  return (
    <section aria-label={t('pasteDay.batches')} className="mt-3">
      <p className="quiet max-w-prose text-sm">{t(data.length === 0 ? 'batch.none' : 'batch.help')}</p>
      <PutBack removed={removed} onBack={() => setRemoved(null)} />
      {states
        .filter((state) => state !== 'usedUp' || showUsedUp)
        .map((state) => ({ state, batches: data.filter((batch) => batch.state === state) }))
        .filter(({ batches }) => batches.length > 0)
        .map(({ state, batches }) => (
          <section key={state} aria-labelledby={`batches-${state}`} className="mt-4">
            <h2 id={`batches-${state}`} className="font-semibold">
              {t(`batch.state.${state}`)}
            </h2>
            <ul className="divide-base-300 border-base-300 mt-1 divide-y border-y">
              {batches.map((batch) => (
                <Row key={batch.id} batch={batch} nameOf={nameOf} onRemoved={() => setRemoved(batch)} />
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

function Row({ batch, nameOf, onRemoved }: { batch: KeptBatch; nameOf: NameOf; onRemoved: () => void }) {
  const { t } = useTranslation()
  const [isOpen, setIsOpen] = useState(false)
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
    <li className="py-2">
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
        <BatchEditor
          key={batch.version}
          batch={batch}
          nameOf={nameOf}
          onDone={() => setIsOpen(false)}
          onRemoved={onRemoved}
        />
      )}
    </li>
  )
}

/** "14:30", or with its day if that is not today. */
function timeWords(iso: string): string {
  const at = new Date(iso)
  const time = at.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })
  return at.toDateString() === new Date().toDateString() ? time : `${dayWords(iso)}, ${time}`
}
