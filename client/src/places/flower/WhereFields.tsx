import { useTranslation } from 'react-i18next'
import type { Place, PlaceKind, Sides } from '../../api/api'
import { Choice } from '../../shared/Choice'
import type { ProblemAt } from '../../shared/Editor'
import { NumberField } from '../../shared/NumberField'
import { firstPlace } from './planEdits'
import { SidesChoice } from './SidesChoice'

const placeKinds: PlaceKind[] = ['whole', 'base', 'rim', 'tip', 'heart']

/** Where a coat goes on the piece. */
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
  // A rim is brushed by millimetres, everything else by the share of the piece.
  const [unit, factor] = place.kind === 'rim' ? (['mm', 1] as const) : (['%', 100] as const)
  return (
    <div className="space-y-2 sm:col-span-2 xl:col-span-1">
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <Choice
          legend={t('place.title')}
          options={placeKinds.map((value) => ({ value, label: t(`place.${value}`) }))}
          chosen={place.kind}
          onChoose={(kind) => onChange({ place: firstPlace[kind] })}
        />
        <SidesChoice sides={sides} onChange={(sides) => onChange({ sides })} />
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
              onChange={(value) => onChange({ place: { ...place, [name]: value / factor } })}
            />
          ))}
        </div>
      )}
    </div>
  )
}
