import { useQuery } from '@tanstack/react-query'
import { FolderDown, Plus } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { Material } from '../../api/api'
import { queries } from '../../api/queries'
import { kinds } from '../../shared/cabinet'
import { Reading, Unreadable } from '../../shared/Message'
import { SearchField } from '../../shared/SearchField'
import { SelectField } from '../../shared/SelectField'
import { Swatch } from '../../shared/Swatch'
import { colourName, grams } from '../../shared/words'
import { CabinetNotes } from './CabinetNotes'
import { StarterJars } from './StarterJars'
import { PageTitle } from '../../shared/PageTitle'
import { inOrder } from '../../shared/numbers'
import { CheckField } from '../../shared/CheckField'

/** What stands in the studio's cabinet, shelf by shelf, each with its colour and whether it may be eaten. */
export function CabinetPage() {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.materials())
  // What its notes say comes with it, not a moment later above it.
  const notes = [useQuery(queries.needs()), useQuery(queries.duplicates())]
  const [wanted, setWanted] = useState('')
  const [withRetired, setWithRetired] = useState(false)
  const [order, setOrder] = useState<Order>('shelf')
  if (!data || notes.some((one) => one.isLoading))
    return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const retired = data.filter((material) => material.isRetired).length
  const found = data
    .filter((material) => withRetired || !material.isRetired)
    .filter((m) => `${m.name} ${m.dyeFamily} ${m.note} ${m.form}`.toLowerCase().includes(wanted.trim().toLowerCase()))
  return (
    <main className="w-full">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3 px-4 pt-5 pb-4 lg:px-6">
        <div>
          <PageTitle title={t('cabinet.title')} />
          <p className="quiet text-sm">{t('cabinet.help')}</p>
        </div>
        <div className="ml-auto flex flex-wrap items-end gap-x-5 gap-y-3">
          <Link className="btn btn-sm" to="/cabinet/new">
            <Plus size={16} aria-hidden />
            {t('cabinet.add')}
          </Link>
          <Link className="act flex items-center gap-1 py-1 text-sm" to="/files">
            <FolderDown size={16} aria-hidden />
            {t('cabinet.files')}
          </Link>
          <SearchField label={t('cabinet.find')} value={wanted} onChange={setWanted} />
          <SelectField
            label={t('sort.by')}
            value={order}
            options={orders.map((value) => ({ value, label: t(`cabinet.order.${value}`) }))}
            onChoose={(value) => setOrder(value as Order)}
          />
        </div>
      </div>
      <CabinetNotes materials={data} />
      {retired > 0 && (
        <CheckField
          label={t('cabinet.showRetired', { count: retired })}
          checked={withRetired}
          className="px-4 pb-3 lg:px-6"
          onChange={setWithRetired}
        />
      )}
      {data.length === 0 ? (
        <p className="max-w-prose px-4 pb-6 lg:px-6">{t('cabinet.empty')}</p>
      ) : (
        found.length === 0 && <p className="px-4 pb-6 lg:px-6">{t('cabinet.none', { wanted })}</p>
      )}
      {kinds.map((kind) => {
        const materials = sorted(
          found.filter((material) => material.kind === kind),
          order,
        )
        return (
          materials.length > 0 && (
            <section key={kind} aria-labelledby={`shelf-${kind}`}>
              <h2 id={`shelf-${kind}`} className="border-base-300 border-t px-4 pt-4 pb-2 font-semibold lg:px-6">
                {t(`shelf.${kind}`)} <span className="quiet font-normal">{materials.length}</span>
              </h2>
              <ul className="surround grid grid-cols-[repeat(auto-fill,minmax(13.5rem,1fr))] gap-x-4 gap-y-4 px-4 py-4 lg:px-6">
                {materials.map((material) => (
                  <Jar key={material.id} material={material} />
                ))}
              </ul>
            </section>
          )
        )
      })}
      <StarterJars />
      <p className="quiet max-w-prose px-4 py-6 text-sm lg:px-6">{t('cabinet.foodHelp')}</p>
    </main>
  )
}

const orders = ['shelf', 'name', 'colour', 'stock'] as const
type Order = (typeof orders)[number]

/** How much is left in whatever it is counted in; what is not known comes last. */
const stockOf = ({ supply }: Material) => supply.stockG ?? supply.stockMl ?? supply.stockPieces ?? Infinity

function sorted(materials: Material[], order: Order): Material[] {
  const by: Record<Order, (one: Material, other: Material) => number> = {
    shelf: () => 0,
    name: (one, other) => inOrder(one.name, other.name),
    colour: (one, other) => (other.chip?.lab.l ?? 0) - (one.chip?.lab.l ?? 0),
    stock: (one, other) => stockOf(one) - stockOf(other),
  }
  return [...materials].sort(by[order])
}

function Jar({ material }: { material: Material }) {
  const { t } = useTranslation()
  const { chip, foodStatus, loadLimit, supply } = material
  const left =
    supply.stockPieces != null
      ? t('cabinet.pieces', { count: supply.stockPieces })
      : supply.stockG !== null
        ? t('cabinet.left', { mass: grams(t, supply.stockG) })
        : supply.stockMl != null
          ? t('cabinet.leftMl', { ml: supply.stockMl })
          : null
  return (
    <li className="flex gap-3 text-sm leading-snug">
      {chip ? (
        <Swatch colour={chip} label={material.name} className="h-14 w-14 rounded-b-2xl" />
      ) : (
        <span aria-hidden className="border-surround-ink h-14 w-14 shrink-0 rounded-b-2xl border border-dashed" />
      )}
      <div className="min-w-0">
        <h3 className="font-semibold">
          <Link className="hover:underline" to={`/cabinet/${material.id}`}>
            {material.name}
          </Link>
        </h3>
        {material.isRetired && <p className="font-semibold">{t('cabinet.retired')}</p>}
        <p>
          <span className="font-semibold">{t(`food.${foodStatus}`)}</span>
          {material.form && material.form !== material.kind && ` · ${material.form}`}
          {material.diameterMm !== null && ` · ${t('cabinet.diameter', { diameter: material.diameterMm })}`}
          {material.gauge !== null && ` · ${t('cabinet.gauge', { gauge: material.gauge })}`}
        </p>
        {chip && (
          <p>
            {colourName(t, chip)}
            {material.origin !== 'nominal' && ` · ${t(`origin.${material.origin}`)}`}
          </p>
        )}
        {material.dyeFamily && material.dyeFamily !== 'none' && <p>{material.dyeFamily}</p>}
        {material.contains.length > 0 && (
          <p>{t('cabinet.contains', { what: material.contains.map((one) => t(`ingredient.${one}`)).join(', ') })}</p>
        )}
        {left && <p>{left}</p>}
        {loadLimit !== null && (
          <p>{t(material.kind === 'colourant' ? 'cabinet.limitPaste' : 'cabinet.limitDust', { limit: loadLimit })}</p>
        )}
        {material.note && <p className="italic">{material.note}</p>}
      </div>
    </li>
  )
}
