import { useQuery } from '@tanstack/react-query'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { CommissionEntry, CommissionView } from '../../api/api'
import { statuses } from '../../api/api'
import { queries } from '../../api/queries'
import { Reading, Unreadable } from '../../shared/Message'
import { PageTitle } from '../../shared/PageTitle'
import { PieceDrawing } from '../../shared/PieceDrawing'
import { SearchField } from '../../shared/SearchField'
import { SelectField } from '../../shared/SelectField'
import { containsWords, dueWords, flowerCount } from '../../shared/words'
import { BeginBy } from './BeginBy'
import { FirstSteps } from './FirstSteps'
import { inOrder } from '../../shared/numbers'

const tallestPx = 76
const shortestPx = 22

type Shown = 'open' | 'all' | CommissionView['status']
type Order = 'due' | 'name' | 'status'

/** Nobody scrolls through more at once. */
const aScreen = 12

/** All work in the studio, first due first; each flower shows its pieces in their finished colours. */
export function CommissionsPage() {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.commissions())
  const [wanted, setWanted] = useState('')
  const [shown, setShown] = useState<Shown>('open')
  const [order, setOrder] = useState<Order>('due')
  const [most, setMost] = useState(aScreen)
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const all = data.commissions
  const entries = sorted(
    all.filter((entry) => isShown(entry, shown) && has(entry, wanted)),
    order,
  )
  return (
    <main className="w-full">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3 px-4 pt-5 pb-4 lg:px-6">
        <div className="min-w-0 grow">
          <PageTitle title={t('commission.title')} />
          <p className="quiet text-sm">{[data.studioName, data.maker].filter(Boolean).join(', ')}</p>
        </div>
        {all.length > 0 && (
          <>
            <SearchField label={t('commission.search')} value={wanted} onChange={setWanted} />
            <SelectField
              label={t('commission.show')}
              value={shown}
              options={(['open', 'all', ...statuses] as const).map((value) => ({
                value,
                label: t(`commission.shown.${value}`),
              }))}
              onChoose={(value) => setShown(value as Shown)}
            />
            <SelectField
              label={t('sort.by')}
              value={order}
              options={(['due', 'name', 'status'] as const).map((value) => ({
                value,
                label: t(`commission.order.${value}`),
              }))}
              onChoose={(value) => setOrder(value as Order)}
            />
          </>
        )}
        <Link className="btn btn-sm btn-primary" to="/commissions/new">
          <Plus size={15} aria-hidden />
          {t('commission.new')}
        </Link>
        <Link className="act min-h-6 text-sm" to="/bin">
          {t('frame.bin')}
        </Link>
      </div>
      {all.length === 0 && <FirstSteps />}
      {all.length > 0 && entries.length === 0 && (
        <p role="status" className="px-4 lg:px-6">
          {t('commission.noneShown')}
        </p>
      )}
      {entries.slice(0, most).map((entry) => (
        <Entry key={entry.commission.id} entry={entry} />
      ))}
      {entries.length > most && (
        <p className="px-4 py-4 lg:px-6">
          <button className="btn btn-sm" onClick={() => setMost(most + aScreen)}>
            {t('commission.more', { count: entries.length - most })}
          </button>
        </p>
      )}
    </main>
  )
}

function Entry({ entry: { commission, progress, food, flowers } }: { entry: CommissionEntry }) {
  const { t } = useTranslation()
  const facts = [
    commission.place,
    commission.roomHumidityPercent !== null && t('commission.humidity', { percent: commission.roomHumidityPercent }),
    commission.diets.length > 0 &&
      t('commission.diets', { diets: commission.diets.map((diet) => t(`diet.${diet}`)).join(', ') }),
    containsWords(t, food),
  ]
  return (
    <section aria-labelledby={commission.id} className="border-base-300 border-t">
      <div className="flex flex-wrap items-baseline gap-x-4 px-4 pt-4 pb-3 lg:px-6">
        <h2 id={commission.id} className="name min-w-0 text-xl">
          <Link className="hover:underline" to={`/commissions/${commission.id}`}>
            {commission.name}
          </Link>
        </h2>
        <p className="min-w-0 text-sm">
          <span className="font-semibold">{t(`commission.is.${commission.status}`)}</span> · {dueWords(t, commission)}
          <span className="quiet">
            {progress.done > 0 && <span> · {t('commission.progress', { ...progress })}</span>}
            {facts.filter(Boolean).map((fact) => (
              <span key={String(fact)}> · {fact}</span>
            ))}
          </span>
        </p>
        <p className="flex flex-wrap gap-x-4 text-sm lg:ml-auto">
          {(['new-flower', 'together', 'run-sheet', 'dust-day', 'spray'] as const).map((place) => (
            <Link key={place} className="act min-h-6" to={`/commissions/${commission.id}/${place}`}>
              {t(`commission.to.${place}`)}
              <span className="sr-only"> {commission.name}</span>
            </Link>
          ))}
          <Link className="act min-h-6" to={`/commissions/${commission.id}`}>
            {t('commission.change')}
            <span className="sr-only"> {commission.name}</span>
          </Link>
        </p>
        {commission.isOpen && <BeginBy commission={commission} hasBegun={progress.done > 0} />}
        {commission.ownNote && <p className="quiet basis-full text-sm whitespace-pre-line">{commission.ownNote}</p>}
      </div>
      {flowers.length === 0 && <p className="quiet px-4 pb-4 text-sm lg:px-6">{t('commission.noFlowers')}</p>}
      <ul className="surround grid sm:grid-cols-2 lg:grid-cols-3">
        {flowers.map((flower) => (
          <li key={flower.id} className="min-w-0">
            <Link
              to={`/flowers/${flower.id}`}
              className="outline-surround-ink flex h-full flex-col gap-3 px-4 py-4 outline-offset-[-4px] hover:outline-1 lg:px-6"
            >
              <span aria-hidden className="flex h-20 items-end gap-3 overflow-hidden">
                <Pieces flower={flower} />
              </span>
              <span className="min-w-0">
                <span className="name block text-lg underline-offset-4">{flower.name}</span>
                <span className="block text-sm">{flowerCount(t, flower)}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The pieces of a flower in their finished colours; far down a long list they come when they are shown. */
function Pieces({ flower }: { flower: CommissionEntry['flowers'][number] }) {
  const asked = useQuery({ ...queries.flower(flower.id), enabled: flower.pieces === null })
  const pieces = flower.pieces ?? asked.data?.pieces ?? []
  const longest = Math.max(...pieces.map((piece) => piece.lengthMm))
  return pieces.map((piece) => (
    <PieceDrawing
      key={piece.id}
      piece={piece}
      heightPx={shortestPx + (tallestPx - shortestPx) * Math.sqrt(piece.lengthMm / longest)}
    />
  ))
}

const isShown = ({ commission }: CommissionEntry, shown: Shown) =>
  shown === 'all' || (shown === 'open' ? commission.isOpen : commission.status === shown)

function has({ commission, flowers }: CommissionEntry, wanted: string): boolean {
  const text = [
    commission.name,
    commission.place,
    commission.clientNote,
    commission.ownNote,
    ...flowers.map((flower) => flower.name),
  ]
  return text.join(' ').toLowerCase().includes(wanted.trim().toLowerCase())
}

function sorted(entries: CommissionEntry[], order: Order): CommissionEntry[] {
  const by: Record<Order, (one: CommissionView, other: CommissionView) => number> = {
    due: (one, other) => one.dueOn.localeCompare(other.dueOn),
    name: (one, other) => inOrder(one.name, other.name),
    status: (one, other) => statuses.indexOf(one.status) - statuses.indexOf(other.status),
  }
  return [...entries].sort((one, other) => by[order](one.commission, other.commission))
}
