import { useTranslation } from '../../shared/translation'
import type { FoundRecipes, Material } from '../../api/api'
import { AddMaterial } from '../../shared/AddMaterial'
import { Choice } from '../../shared/Choice'
import type { NameOf } from '../../shared/words'
import { PickedList } from './PickedList'
import type { Table } from './tableState'
import type { LongWork } from './useLongWork'
import { WorkState } from './WorkState'
import { offered } from '../../shared/cabinet'
import { diets } from '../../shared/diets'
import { CheckField } from '../../shared/CheckField'

const mostColours = ['1', '2', '3', '4'] as const

/** Finds recipes for the target: how many colours, which, and for whom. */
export function FindPanel({
  table,
  materials,
  nameOf,
  search,
  onChange,
}: {
  table: Table
  materials: Material[]
  nameOf: NameOf
  search: LongWork<FoundRecipes>
  onChange: (part: Partial<Table>) => void
}) {
  const { t } = useTranslation()
  const find = (anyPaste: boolean) => {
    const baseIds = anyPaste
      ? offered(materials, 'paste')
          .filter((m) => suits(m, table))
          .map((m) => m.id)
      : [table.mixes[0]!.baseId]
    const { target, pasteG, mostColourants, filters } = table
    search.start({ baseIds, target, pasteG, mostColourants, filters })
  }
  return (
    <section aria-label={t('mixing.find.title')} className="space-y-2 px-4 pb-4 lg:px-6">
      <div className="flex flex-wrap gap-2">
        <button className="btn btn-primary btn-sm" disabled={search.running} onClick={() => find(false)}>
          {search.running ? t('finder.searching') : t('mixing.find.find')}
        </button>
        <button className="btn btn-sm" disabled={search.running} onClick={() => find(true)}>
          {t('mixing.find.anyPaste')}
        </button>
      </div>
      <WorkState work={search} nameOf={nameOf} />
      <FiltersEntry
        table={table}
        materials={materials}
        nameOf={nameOf}
        onChange={(part) => {
          // What was wrong with the wishes may be so no longer.
          if (search.error) search.clear()
          onChange(part)
        }}
      />
    </section>
  )
}

const suits = (material: Material, table: Table) =>
  !material.notFor.some((diet) => table.filters.diets.includes(diet)) &&
  !(table.filters.edibleOnly && material.foodStatus !== 'edible')

function FiltersEntry({
  table,
  materials,
  nameOf,
  onChange,
}: {
  table: Table
  materials: Material[]
  nameOf: NameOf
  onChange: (part: Partial<Table>) => void
}) {
  const { t } = useTranslation()
  const { filters } = table
  const set = (part: Partial<Table['filters']>) => onChange({ filters: { ...filters, ...part } })
  const colours = offered(materials, 'colourant')
  const count =
    filters.mustUse.length +
    filters.leaveOut.length +
    filters.diets.length +
    (filters.edibleOnly ? 1 : 0) +
    (filters.withinStock ? 0 : 1)
  const list = (which: 'mustUse' | 'leaveOut') => (
    <div>
      <p className="quiet text-xs">{t(`mixing.filter.${which}`)}</p>
      <PickedList
        ids={filters[which]}
        nameOf={nameOf}
        removeLabel={(name) => t('mixing.filter.forget', { name })}
        onRemove={(id) => set({ [which]: filters[which].filter((other) => other !== id) })}
      />
      <AddMaterial
        label={t(`mixing.filter.${which}Add`)}
        materials={colours.filter((m) => !filters[which].includes(m.id))}
        onAdd={(id) => set({ [which]: [...filters[which], id] })}
      />
    </div>
  )
  return (
    <details className="w-full">
      <summary className="act w-fit text-sm">{t('mixing.filter.title', { count })}</summary>
      <div className="mt-2 grid gap-x-8 gap-y-3 sm:grid-cols-2 lg:grid-cols-1">
        <Choice
          legend={t('mixing.filter.most')}
          options={mostColours.map((value) => ({ value, label: value }))}
          chosen={mostColours.find((value) => Number(value) === table.mostColourants)}
          onChoose={(value) => onChange({ mostColourants: Number(value) })}
        />
        {list('mustUse')}
        {list('leaveOut')}
        <fieldset className="space-y-1 text-sm">
          <legend className="quiet text-xs">{t('mixing.filter.only')}</legend>
          <CheckField
            label={t('mixing.filter.edible')}
            checked={filters.edibleOnly}
            onChange={(edibleOnly) => set({ edibleOnly })}
          />
          {diets.map((diet) => (
            <CheckField
              key={diet}
              label={t(`diet.${diet}`)}
              checked={filters.diets.includes(diet)}
              onChange={(on) =>
                set({ diets: on ? [...filters.diets, diet] : filters.diets.filter((other) => other !== diet) })
              }
            />
          ))}
          <CheckField
            label={t('mixing.filter.stock')}
            checked={filters.withinStock}
            onChange={(withinStock) => set({ withinStock })}
          />
        </fieldset>
      </div>
      <p className="quiet mt-2 max-w-prose text-xs">{t('mixing.filter.help')}</p>
    </details>
  )
}
