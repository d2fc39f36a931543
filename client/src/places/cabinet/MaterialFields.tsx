import type { ReactNode } from 'react'
import { useTranslation } from '../../shared/translation'
import type { FoodStatus, Ingredient, MaterialRecord } from '../../api/api'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { isCounted, isDust, isPoured, unitOf } from '../../shared/cabinet'
import { TextArea } from '../../shared/TextArea'
import { TextField } from '../../shared/TextField'
import { Weighing } from './Weighing'
import { diets } from '../../shared/diets'
import { Term } from '../../shared/Term'

const foods: FoodStatus[] = ['edible', 'decorativeOnly', 'notFood']
const ingredients: Ingredient[] = [
  'egg',
  'gluten',
  'nuts',
  'milk',
  'soya',
  'gelatine',
  'shellac',
  'carmine',
  'warnedColour',
]
type NumberName = {
  [Key in keyof MaterialRecord]-?: NonNullable<MaterialRecord[Key]> extends number ? Key : never
}[keyof MaterialRecord]

/** All of a material but its colour, in the order in which a maker reads a jar. */
export function MaterialFields({
  sheet,
  problemAt,
  onChange,
  children,
}: {
  sheet: MaterialRecord
  problemAt: (field: string) => string | undefined
  onChange: (part: Partial<MaterialRecord>) => void
  /** Its colour, which stands right after its name. */
  children: ReactNode
}) {
  const { t } = useTranslation()
  const number = (name: NumberName, unit?: string) => (
    <NumberField
      label={name === 'stockG' ? <Term name="stock">{t('material.field.stockG')}</Term> : t(`material.field.${name}`)}
      value={sheet[name] ?? null}
      unit={unit}
      problem={problemAt(name)}
      onChange={(value) => onChange({ [name]: value })}
      onClear={() => onChange({ [name]: null })}
    />
  )
  const text = (name: 'name' | 'form' | 'dyeFamily' | 'lot', className = 'w-48') => (
    <TextField
      label={t(`material.field.${name}`)}
      value={sheet[name] ?? ''}
      problem={problemAt(name)}
      className={className}
      onChange={(value) => onChange({ [name]: value })}
    />
  )
  const day = (name: 'openedOn' | 'bestBefore') => (
    <TextField
      label={t(`material.field.${name}`)}
      type="date"
      value={sheet[name] ?? ''}
      problem={problemAt(name)}
      className="w-40"
      onChange={(value) => onChange({ [name]: value === '' ? null : value })}
    />
  )
  const { kind } = sheet
  return (
    <>
      <Group title={t('material.group.jar')}>
        {text('name', 'w-72')}
        {text('form')}
        {text('dyeFamily')}
        <SelectField
          label={t('material.field.foodStatus')}
          value={sheet.foodStatus ?? 'notFood'}
          options={foods.map((value) => ({ value, label: t(`food.${value}`) }))}
          onChoose={(value) => onChange({ foodStatus: value as FoodStatus })}
        />
        {kind === 'wire' && number('gauge')}
        {kind === 'core' && number('diameterMm', 'mm')}
        {kind === 'paste' && number('driesTimes')}
      </Group>
      {children}
      <Group title={t('material.group.stock')}>
        {isCounted(kind) ? number('stockPieces') : isPoured(kind) ? number('stockMl', 'ml') : number('stockG', 'g')}
        {isCounted(kind) ? number('pricePerPiece') : isPoured(kind) ? number('pricePerMl') : number('pricePerG')}
        {number('packSize', unitOf(kind))}
        {text('lot', 'w-32')}
        {day('openedOn')}
        {day('bestBefore')}
      </Group>
      <Group title={t('material.group.inside')}>
        <Ticks
          legend={t('material.field.contains')}
          options={ingredients}
          ticked={sheet.contains ?? []}
          words={(one) => t(`ingredient.${one}`)}
          onChange={(contains) => onChange({ contains })}
        />
        <Ticks
          legend={t('material.field.notFor')}
          options={diets}
          ticked={sheet.notFor ?? []}
          words={(one) => t(`diet.${one}`)}
          onChange={(notFor) => onChange({ notFor })}
        />
        <p className="quiet max-w-prose text-xs">{t('material.insideHelp')}</p>
      </Group>
      {(kind === 'colourant' || isDust(kind)) && (
        <Group title={t('material.group.use')}>
          {number('loadLimit', t(kind === 'colourant' ? 'material.per100g' : 'material.perCm2'))}
          {kind === 'colourant' && (
            <>
              <Weighing sheet={sheet} problemAt={problemAt} onChange={onChange} />
              {number('shareAtOnce')}
              {number('timeConstantHours', 'h')}
            </>
          )}
          {isDust(kind) && number('wetScatter')}
        </Group>
      )}
      {kind === 'glaze' && (
        <Group title={t('material.group.use')}>
          {number('gloss')}
          {number('wetMlPerCm2', 'ml/cm²')}
        </Group>
      )}
      {kind === 'thinner' && (
        <Group title={t('material.group.use')}>
          {number('densityGPerMl', 'g/ml')}
          {number('washDepthMm', 'mm')}
        </Group>
      )}
      <div>
        <TextArea
          label={t('material.field.note')}
          value={sheet.note ?? ''}
          problem={problemAt('note')}
          onChange={(note) => onChange({ note })}
        />
      </div>
    </>
  )
}

export function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="border-base-300 border-t pt-3">
      <legend className="float-left mb-2 w-full">
        <h2 className="font-semibold">{title}</h2>
      </legend>
      <div className="clear-both flex flex-wrap items-start gap-x-5 gap-y-3">{children}</div>
    </fieldset>
  )
}

function Ticks<T extends string>({
  legend,
  options,
  ticked,
  words,
  onChange,
}: {
  legend: string
  options: T[]
  ticked: T[]
  words: (one: T) => string
  onChange: (ticked: T[]) => void
}) {
  return (
    <fieldset>
      <legend className="quiet text-xs">{legend}</legend>
      <div className="flex max-w-xl flex-wrap gap-x-4 gap-y-1 py-1">
        {options.map((one) => (
          <label key={one} className="flex items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={ticked.includes(one)}
              onChange={(event) =>
                onChange(event.target.checked ? [...ticked, one] : ticked.filter((other) => other !== one))
              }
            />
            {words(one)}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
