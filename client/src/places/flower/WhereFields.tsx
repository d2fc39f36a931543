import { Plus, X } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { Place, PlaceKind, Sides } from '../../api/api'
import { PlaceLimits } from '../../api/limits'
import { Choice } from '../../shared/Choice'
import type { ProblemAt } from '../../shared/Editor'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { isInMm } from './coatWords'
import { SidesChoice } from './SidesChoice'
import { Term } from '../../shared/Term'
import { firstPlace, useBeginnings } from './useBeginnings'

const reliefs = ['everywhere', 'ridges', 'grooves'] as const
const halves = ['both', 'left', 'right'] as const

/** Where a coat goes on the piece: one place, or several put together. */
export function WhereFields({
  place,
  sides,
  problemAt,
  onChange,
}: {
  place: Place
  sides: Sides
  /** Path within the coat. */
  problemAt: ProblemAt
  onChange: (part: { place?: Place; sides?: Sides }) => void
}) {
  const { t } = useTranslation()
  const beginnings = useBeginnings()
  const also = place.also ?? []
  const setPlace = (change: Partial<Place>) => onChange({ place: { ...place, ...change } })
  return (
    <div className="space-y-2 sm:col-span-2 xl:col-span-1">
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <Choice
          legend={t('place.title')}
          options={beginnings.places.map(({ kind }) => ({ value: kind, label: t(`place.${kind}`) }))}
          chosen={place.kind}
          onChoose={(kind) => setPlace(firstPlace(beginnings, kind))}
        />
        <SidesChoice sides={sides} onChange={(sides) => onChange({ sides })} />
      </div>
      <Band place={place} path="place" problemAt={problemAt} onChange={setPlace} />
      <div className="flex flex-wrap gap-x-3 gap-y-1">
        <SelectField
          label={t('place.relief')}
          value={place.relief ?? 'everywhere'}
          options={reliefs.map((value) => ({ value, label: t(`place.reliefs.${value}`) }))}
          onChoose={(relief) => setPlace({ relief: relief as Place['relief'] })}
        />
        <SelectField
          label={t('place.half')}
          value={place.half ?? 'both'}
          options={halves.map((value) => ({ value, label: t(`place.halves.${value}`) }))}
          onChoose={(half) => setPlace({ half: half as Place['half'] })}
        />
        {place.within ? null : (
          <button
            type="button"
            className="act min-h-6 self-end text-sm"
            onClick={() => setPlace({ within: firstPlace(beginnings, 'base') })}
          >
            {t('place.addWithin')}
          </button>
        )}
        {also.length < PlaceLimits.also.maxItems && (
          <button
            type="button"
            className="act flex min-h-6 items-center gap-1 self-end text-sm"
            onClick={() => setPlace({ also: [...also, firstPlace(beginnings, 'tip')] })}
          >
            <Plus size={14} aria-hidden />
            {t('place.addAlso')}
          </button>
        )}
      </div>
      {also.map((other, i) => (
        <Part
          key={i}
          legend={t('place.also')}
          remove={t('place.removeAlso')}
          place={other}
          path={`place.also[${i}]`}
          problemAt={problemAt}
          onChange={(changed) => setPlace({ also: also.with(i, changed) })}
          onRemove={() => setPlace({ also: also.toSpliced(i, 1) })}
        />
      ))}
      {place.within && (
        <Part
          legend={t('place.within')}
          remove={t('place.removeWithin')}
          place={place.within}
          path="place.within"
          problemAt={problemAt}
          onChange={(within) => setPlace({ within })}
          onRemove={() => setPlace({ within: null })}
        />
      )}
    </div>
  )
}

/** A further place that is put together with the first one. */
function Part({
  legend,
  remove,
  place,
  path,
  problemAt,
  onChange,
  onRemove,
}: {
  legend: string
  remove: string
  place: Place
  path: string
  problemAt: ProblemAt
  onChange: (place: Place) => void
  onRemove: () => void
}) {
  const { t } = useTranslation()
  const beginnings = useBeginnings()
  return (
    <div className="border-base-300 flex flex-wrap items-start gap-x-3 gap-y-1 border-l-2 pl-2">
      <SelectField
        label={legend}
        value={place.kind}
        options={beginnings.places.map(({ kind }) => ({ value: kind, label: t(`place.${kind}`) }))}
        onChoose={(kind) => onChange(firstPlace(beginnings, kind as PlaceKind))}
      />
      <Band place={place} path={path} problemAt={problemAt} onChange={(change) => onChange({ ...place, ...change })} />
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square mt-4 min-h-6"
        aria-label={remove}
        title={remove}
        onClick={onRemove}
      >
        <X size={14} aria-hidden />
      </button>
    </div>
  )
}

/** From where to where a place is full, and how far it fades. */
function Band({
  place,
  path,
  problemAt,
  onChange,
}: {
  place: Place
  path: string
  problemAt: ProblemAt
  onChange: (change: Partial<Place>) => void
}) {
  const { t } = useTranslation()
  if (place.kind === 'whole') return null
  const [unit, factor] = isInMm(place) ? (['mm', 1] as const) : (['%', 100] as const)
  return (
    <div className="flex flex-wrap gap-x-3 gap-y-1">
      {(['start', 'end', 'feather'] as const).map((name) => (
        <NumberField
          key={name}
          label={name === 'feather' ? <Term name="fade">{t('place.feather')}</Term> : t(`place.${name}`)}
          unit={unit}
          value={place[name] * factor}
          problem={problemAt(`${path}.${name}`)}
          onChange={(value) => onChange({ [name]: value / factor })}
        />
      ))}
    </div>
  )
}
