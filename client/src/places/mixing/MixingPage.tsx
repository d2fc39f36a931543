import { useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useSearchParams } from 'wouter'
import type { FoundRecipes, Material, MixingTable, PasteRecipe } from '../../api/api'
import { queries } from '../../api/queries'
import { offered } from '../../shared/cabinet'
import { NotThere } from '../../shared/Message'
import { nameFinder } from '../../shared/words'
import { FindPanel } from './FindPanel'
import { Found } from './Found'
import { KeepForm } from './KeepForm'
import { Mix } from './Mix'
import { Start } from './Start'
import { fromBatch, fromBowl, fromPiece } from './starts'
import type { Table } from './tableState'
import { emptyTable, readTable, storeTable } from './tableState'
import { Tools } from './Tools'
import { Beginnings } from './Beginnings'
import { useRecent } from './recent'
import { useLook } from './useLook'
import { useLongWork } from './useLongWork'
import { Viewing } from './Viewing'
import { PageTitle } from '../../shared/PageTitle'

/** The mixing table: from a colour to what to knead in. */
export function MixingPage() {
  const shelf = useQuery(queries.mixingTable())
  const materials = useQuery(queries.materials())
  const [asked] = useSearchParams()
  if (!shelf.data || !materials.data) return <NotThere of={[shelf, materials]} />
  const piece = shelf.data.pieces.find((one) => one.id === asked.get('piece'))
  const bowlG = asked.get('bowlG')
  const white = offered(materials.data, 'paste')[0]
  if (!white || offered(materials.data, 'colourant').length === 0) return <Bare />
  const batch = shelf.data.batches.find((one) => one.id === asked.get('batch'))
  const empty = emptyTable(white.id)
  const table = batch
    ? { ...empty, ...fromBatch(batch, shelf.data) }
    : ((piece && (bowlG === null ? fromPiece(piece, shelf.data) : fromBowl(piece, shelf.data, Number(bowlG)))) ??
      readTable() ??
      empty)
  return <OpenTable shelf={shelf.data} materials={materials.data} first={table} isSlip={bowlG !== null} />
}

function OpenTable({
  shelf,
  materials,
  first,
  isSlip,
}: {
  shelf: MixingTable
  materials: Material[]
  first: Table
  /** It went wrong just now: rescue is what is wanted. */
  isSlip: boolean
}) {
  const { t } = useTranslation()
  const [table, setTable] = useState(first)
  const change = useCallback((part: Partial<Table>) => setTable((was) => ({ ...was, ...part })), [])
  useEffect(() => void storeTable(table), [table])

  const nameOf = useMemo(() => nameFinder(materials), [materials])
  const search = useLongWork<FoundRecipes>('/api/recipes/find')
  const { clear } = search
  const looks = [useLook(table, 0), useLook(table, 1)]
  const setMix = (place: number, recipe: PasteRecipe) =>
    change({ mixes: table.mixes.map((mix, i) => (i === place ? recipe : mix)) })
  /** A new target makes what was found for the old one worthless. */
  const begin = (part: Partial<Table>) => {
    clear()
    change(part)
  }

  const recent = useRecent(table.targetName, looks[0]!.look)
  const take = (recipe: PasteRecipe, place: 0 | 1) =>
    change({ mixes: place === 0 ? [recipe, ...table.mixes.slice(1)] : [table.mixes[0]!, recipe] })

  return (
    <main className="grid w-full lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="lg:sticky lg:top-0 lg:max-h-dvh lg:self-start lg:overflow-y-auto">
        <PageTitle className="px-4 pt-5 pb-3 text-3xl lg:px-6" title={t('mixing.title')} />
        <Start shelf={shelf} table={table} look={looks[0]!.look} onBegin={begin} onChange={change} />
        {table.target && (
          <FindPanel table={table} materials={materials} nameOf={nameOf} search={search} onChange={change} />
        )}
      </div>
      <div className="flex min-w-0 flex-col pb-10">
        {table.target ? (
          <Viewing table={table} looks={looks.map((one) => one.look)} onLight={(light) => change({ light })} />
        ) : (
          <Beginnings shelf={shelf} recent={recent} onBegin={begin} />
        )}
        {search.answer && (
          <Found
            found={search.answer}
            baseId={table.mixes[0]!.baseId}
            nameOf={nameOf}
            currency={shelf.currency}
            onTake={take}
          />
        )}
        {table.target && (
          <>
            <div className={`grid ${table.mixes.length > 1 ? 'xl:grid-cols-2' : ''}`}>
              {table.mixes.map((mix, place) => (
                <Mix
                  key={place}
                  place={place}
                  alone={table.mixes.length === 1}
                  recipe={mix}
                  pasteG={table.pasteG}
                  seen={looks[place]!}
                  materials={materials}
                  nameOf={nameOf}
                  currency={shelf.currency}
                  onRecipe={(recipe) => setMix(place, recipe)}
                  onBeside={() => change({ mixes: [mix, mix] })}
                  onPutAway={() => change({ mixes: table.mixes.filter((_, i) => i !== place) })}
                />
              ))}
            </div>
            <KeepForm key={table.targetName} shelf={shelf} table={table} nameOf={nameOf} />
          </>
        )}
        <Tools
          key={table.target ? 'all' : 'some'}
          isSlip={isSlip}
          shelf={shelf}
          table={table}
          look={looks[0]!.look}
          materials={materials}
          nameOf={nameOf}
          onRecipe={(recipe) => setMix(0, recipe)}
        />
      </div>
    </main>
  )
}

/** Without a colour and a paste there is nothing to mix. */
function Bare() {
  const { t } = useTranslation()
  return (
    <main className="px-4 pt-5 lg:px-6">
      <PageTitle className="text-3xl" title={t('mixing.title')} />
      <p className="mt-2 max-w-prose">{t('mixing.bare')}</p>
      <Link className="btn btn-sm mt-3" to="/cabinet">
        {t('nothingHere.cabinet')}
      </Link>
    </main>
  )
}
