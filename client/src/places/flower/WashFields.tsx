import { useTranslation } from '../../shared/translation'
import type { WashCoat } from '../../api/api'
import { isDust, offered } from '../../shared/cabinet'
import { NumberField } from '../../shared/NumberField'
import { RangeField } from '../../shared/RangeField'
import { SelectField } from '../../shared/SelectField'
import type { CoatFieldsProps } from './coatFields'
import { mixAmounts } from './coatWords'
import { MarkingFields } from './MarkingFields'
import { MixFields } from './MixFields'
import { useBeginnings } from './useBeginnings'
import { WhereFields } from './WhereFields'

/** A wash or a painted detail: its colours, what they are let down with and how far, what is painted, and where. */
export function WashFields({ coat, view, materials, nameOf, problemAt, onChange }: CoatFieldsProps<WashCoat>) {
  const { t } = useTranslation()
  const { washGPerMl, detailGPerMl } = useBeginnings()
  return (
    <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2 xl:grid-cols-[minmax(16rem,1fr)_minmax(9rem,auto)_minmax(19rem,1.1fr)]">
      <div className="space-y-2">
        <MarkingFields
          marking={coat.marking}
          problemAt={problemAt}
          // A detail is painted with a stronger colour than a wash; one that was set on purpose stays.
          onChange={(marking) =>
            onChange({
              ...coat,
              marking,
              ...(marking && !coat.marking && coat.gPerMl <= washGPerMl && { gPerMl: detailGPerMl }),
            })
          }
        />
        <MixFields
          mix={coat.mix}
          choices={materials.filter((m) => m.kind === 'colourant' || isDust(m.kind))}
          nameOf={nameOf}
          problemAt={problemAt}
          onChange={(mix) => onChange({ ...coat, mix })}
        />
        {view?.ml != null && (
          <p className="quiet mt-1 text-xs">
            {t('coat.washAmounts', {
              amounts: mixAmounts(t, view, nameOf),
              ml: view.ml,
              thinner: nameOf(coat.thinnerId),
            })}
          </p>
        )}
      </div>
      <div className="space-y-2">
        <SelectField
          label={t('coat.thinner')}
          value={coat.thinnerId}
          options={offered(materials, 'thinner', coat.thinnerId).map((m) => ({ value: m.id, label: m.name }))}
          onChoose={(thinnerId) => onChange({ ...coat, thinnerId })}
        />
        <RangeField
          label={t('coat.strengthSlider')}
          most={0.4}
          step={0.002}
          value={coat.gPerMl}
          words={t('coat.strengthWords', { mg: Math.round(1000 * coat.gPerMl) })}
          onChange={(gPerMl) => onChange({ ...coat, gPerMl: Math.max(0.002, gPerMl) })}
        />
        <div className="flex flex-wrap gap-x-3">
          <NumberField
            label={t('coat.strength')}
            unit="g/ml"
            value={coat.gPerMl}
            problem={problemAt('gPerMl')}
            onChange={(gPerMl) => onChange({ ...coat, gPerMl })}
          />
          <NumberField
            label={t('coat.wet')}
            unit="ml/cm²"
            value={coat.wetMlPerCm2}
            problem={problemAt('wetMlPerCm2')}
            onChange={(wetMlPerCm2) => onChange({ ...coat, wetMlPerCm2 })}
          />
        </div>
      </div>
      <WhereFields
        place={coat.place}
        sides={coat.sides}
        problemAt={problemAt}
        onChange={(part) => onChange({ ...coat, ...part })}
      />
      <p className="quiet max-w-prose text-xs sm:col-span-2 xl:col-span-3">
        {t(coat.marking ? 'marking.help' : 'coat.washHelp')}
      </p>
    </div>
  )
}
