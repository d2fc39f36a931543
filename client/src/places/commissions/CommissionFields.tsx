import { useTranslation } from '../../shared/translation'
import type { CommissionDetails } from '../../api/api'
import { statuses } from '../../api/api'
import { CommissionDetailsLimits } from '../../api/limits'
import type { ProblemAt } from '../../shared/Editor'
import { lightKinds } from '../../shared/lights'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { Term } from '../../shared/Term'
import { TextArea } from '../../shared/TextArea'
import { TextField } from '../../shared/TextField'
import { Diets } from './Diets'

/** What a maker says of a commission. */
export function CommissionFields({
  details,
  problemAt,
  onChange,
}: {
  details: CommissionDetails
  problemAt: ProblemAt
  onChange: (change: Partial<CommissionDetails>) => void
}) {
  const { t } = useTranslation()
  return (
    <div className="max-w-3xl space-y-4">
      <div className="flex flex-wrap items-start gap-4">
        <TextField
          label={t('commission.name')}
          value={details.name}
          most={CommissionDetailsLimits.name.maxLength}
          problem={problemAt('name')}
          className="w-72 max-w-full"
          onChange={(name) => onChange({ name })}
        />
        <TextField
          label={t('commission.dueOn')}
          type="date"
          value={details.dueOn}
          problem={problemAt('dueOn')}
          className="w-40"
          onChange={(dueOn) => onChange({ dueOn })}
        />
        <NumberField
          label={<Term name="margin">{t('commission.margin')}</Term>}
          value={details.marginDays}
          whole
          unit={t('commission.days')}
          problem={problemAt('marginDays')}
          onChange={(marginDays) => onChange({ marginDays })}
        />
        <SelectField
          label={t('commission.status')}
          value={details.status}
          options={statuses.map((value) => ({ value, label: t(`commission.is.${value}`) }))}
          onChoose={(status) => onChange({ status: status as CommissionDetails['status'] })}
        />
      </div>
      <div className="flex flex-wrap items-start gap-4">
        <TextField
          label={t('commission.place')}
          value={details.place}
          most={CommissionDetailsLimits.place.maxLength}
          problem={problemAt('place')}
          className="w-72 max-w-full"
          onChange={(place) => onChange({ place })}
        />
        <SelectField
          label={t('commission.light')}
          value={details.light}
          options={lightKinds.map((value) => ({ value, label: t(`light.${value}`) }))}
          onChoose={(light) => onChange({ light: light as CommissionDetails['light'] })}
        />
        <NumberField
          label={t('commission.roomHumidity')}
          value={details.roomHumidityPercent}
          whole
          unit="%"
          problem={problemAt('roomHumidityPercent')}
          onChange={(roomHumidityPercent) => onChange({ roomHumidityPercent })}
          onClear={() => onChange({ roomHumidityPercent: null })}
        />
        <NumberField
          label={t('commission.roomCelsius')}
          value={details.roomCelsius}
          unit="°C"
          problem={problemAt('roomCelsius')}
          onChange={(roomCelsius) => onChange({ roomCelsius })}
          onClear={() => onChange({ roomCelsius: null })}
        />
      </div>
      <Diets chosen={details.diets} onChange={(diets) => onChange({ diets })} />
      <div className="grid gap-4 md:grid-cols-2">
        <div>
          <TextArea
            label={t('commission.clientNote')}
            value={details.clientNote}
            problem={problemAt('clientNote')}
            onChange={(clientNote) => onChange({ clientNote })}
          />
        </div>
        <div>
          <TextArea
            label={t('commission.ownNote')}
            value={details.ownNote}
            problem={problemAt('ownNote')}
            onChange={(ownNote) => onChange({ ownNote })}
          />
        </div>
      </div>
    </div>
  )
}
