import type { NameOf } from '../../shared/words'
import { X } from 'lucide-react'
import { useTranslation } from 'react-i18next'
import type { Coat, CoatView, DustCoat, Material, NamedLoad, Place, PlaceKind } from '../../api/api'
import { Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { Swatch } from '../../shared/Swatch'
import { isDust, stillBought } from '../../shared/cabinet'
import { AddMaterial } from '../../shared/AddMaterial'
import { Choice } from '../../shared/Choice'
import { mixAmounts } from './coatWords'
import type { ProblemAt } from '../../shared/Editor'
import { firstPlace } from './planEdits'
import { SidesChoice } from './SidesChoice'

interface DustFieldsProps {
  coat: DustCoat
  view: CoatView | undefined
  /** What a hand calls light, medium and heavy. */
  loads: NamedLoad[]
  materials: Material[]
  nameOf: NameOf
  /** Path within the coat. */
  problemAt: ProblemAt
  onChange: (coat: Coat) => void
}

/** What a coat of dust is made of, how much of it, and where it goes. */
export function DustFields(props: DustFieldsProps) {
  return (
    <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2 xl:grid-cols-[minmax(14rem,1fr)_minmax(9.5rem,auto)_minmax(20rem,1.2fr)]">
      <Mix {...props} />
      <Load {...props} />
      <Where {...props} />
    </div>
  )
}

function Mix({ coat, view, materials, nameOf, problemAt, onChange }: DustFieldsProps) {
  const { t } = useTranslation()
  const dusts = stillBought(materials).filter((m) => isDust(m.kind))
  const unused = dusts.filter((m) => !coat.mix.some((part) => part.dustId === m.id))
  const setMix = (mix: DustCoat['mix']) => onChange({ ...coat, mix })
  const mixProblem = problemAt('mix')
  return (
    <fieldset className="min-w-0">
      <legend className="quiet text-xs">{t('mix.title')}</legend>
      <ul className="space-y-1">
        {coat.mix.map((part, i) => {
          const material = materials.find((m) => m.id === part.dustId)
          return (
            <li key={part.dustId} className="flex items-start gap-2">
              {material?.chip && (
                <Swatch colour={material.chip} className="border-surround mt-0.5 h-8 w-10 rounded-b-lg border-4" />
              )}
              <span className="min-w-0 grow truncate pt-1 text-sm">{nameOf(part.dustId)}</span>
              <NumberField
                label={t('mix.parts', { name: nameOf(part.dustId) })}
                hideLabel
                unit={t('mix.unit')}
                value={part.parts}
                problem={problemAt(`mix[${i}].parts`) ?? problemAt(`mix[${i}].dustId`)}
                onChange={(parts) => setMix(coat.mix.map((old, j) => (i === j ? { ...old, parts } : old)))}
              />
              <button
                className="btn btn-ghost btn-sm btn-square"
                aria-label={t('mix.remove', { name: nameOf(part.dustId) })}
                onClick={() => setMix(coat.mix.filter((_, j) => i !== j))}
              >
                <X size={16} aria-hidden />
              </button>
            </li>
          )
        })}
      </ul>
      {mixProblem && <Problem>{mixProblem}</Problem>}
      <AddMaterial
        label={t('mix.add')}
        materials={unused}
        onAdd={(dustId) => setMix([...coat.mix, { dustId, parts: 1 }])}
      />
      {view && <p className="quiet mt-1 text-xs">{t('mix.amounts', { amounts: mixAmounts(view, nameOf) })}</p>}
    </fieldset>
  )
}

function Load({ coat, loads, problemAt, onChange }: DustFieldsProps) {
  const { t } = useTranslation()
  const setLoad = (loadMgPerCm2: number) => onChange({ ...coat, loadMgPerCm2 })
  return (
    <div>
      <Choice
        legend={t('load.title')}
        options={loads.map(({ word }) => ({ value: word, label: t(`load.${word}`) }))}
        chosen={loads.find((load) => load.mgPerCm2 === coat.loadMgPerCm2)?.word}
        onChoose={(word) => setLoad(loads.find((load) => load.word === word)!.mgPerCm2)}
      />
      <input
        type="range"
        className="range range-xs mt-3 w-full"
        aria-label={t('load.slider')}
        min={0.01}
        max={0.8}
        step={0.01}
        value={coat.loadMgPerCm2}
        onChange={(event) => setLoad(Number(event.target.value))}
      />
      <NumberField
        label={t('load.exact')}
        unit="mg/cm²"
        value={coat.loadMgPerCm2}
        problem={problemAt('loadMgPerCm2')}
        onChange={setLoad}
      />
    </div>
  )
}

const placeKinds: PlaceKind[] = ['whole', 'base', 'rim', 'tip', 'heart']

function Where({ coat, problemAt, onChange }: DustFieldsProps) {
  const { t } = useTranslation()
  const { place } = coat
  const setPlace = (place: Place) => onChange({ ...coat, place })
  // A rim is brushed by millimetres, everything else by the share of the piece.
  const [unit, factor] = place.kind === 'rim' ? (['mm', 1] as const) : (['%', 100] as const)
  return (
    <div className="space-y-2 sm:col-span-2 xl:col-span-1">
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <Choice
          legend={t('place.title')}
          options={placeKinds.map((value) => ({ value, label: t(`place.${value}`) }))}
          chosen={place.kind}
          onChoose={(kind) => setPlace(firstPlace[kind])}
        />
        <SidesChoice sides={coat.sides} onChange={(sides) => onChange({ ...coat, sides })} />
      </div>
      {place.kind !== 'whole' && (
        <div className="flex flex-wrap gap-x-3 gap-y-1">
          {(['start', 'end', 'feather'] as const).map((name) => (
            <NumberField
              key={name}
              label={t(`place.${name}`)}
              unit={unit}
              value={place[name] * factor}
              problem={problemAt(`place.${name}`)}
              onChange={(value) => setPlace({ ...place, [name]: value / factor })}
            />
          ))}
        </div>
      )}
    </div>
  )
}
