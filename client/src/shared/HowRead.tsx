import type { LightKind, MeasuredPaste, ReadBy } from '../api/api'
import { Choice } from './Choice'
import type { ProblemAt } from './Editor'
import { lightKinds } from './lights'
import { NumberField } from './NumberField'
import { SelectField } from './SelectField'
import { useTranslation } from './translation'

const ways: ReadBy[] = ['eye', 'reader', 'camera', 'typed']

/** How a colour was read, and of what; all but the colour itself. */
export interface Read {
  by: ReadBy
  light: LightKind
  /** Of a paste that was read before its colour had come out, since it was kneaded. */
  restedHours: number | null
  /** What really went in; null while it is as the sheet or the entry has it. */
  wentIn: MeasuredPaste | null
}

export function HowRead({
  read,
  isPaste,
  problemAt,
  onChange,
}: {
  read: Read
  isPaste: boolean
  problemAt: ProblemAt
  onChange: (part: Partial<Read>) => void
}) {
  const { t } = useTranslation()
  return (
    <>
      <Choice
        legend={t('readBy.title')}
        options={ways.map((value) => ({ value, label: t(`readBy.${value}`) }))}
        chosen={read.by}
        onChoose={(by) => onChange({ by })}
      />
      {(read.by === 'eye' || read.by === 'camera') && (
        <SelectField
          label={t('readBy.light')}
          value={read.light}
          options={lightKinds.map((value) => ({ value, label: t(`light.${value}`) }))}
          onChoose={(light) => onChange({ light: light as LightKind })}
        />
      )}
      {isPaste && (
        <div className="flex max-w-xs items-end gap-x-3">
          <NumberField
            label={t('readBy.rested')}
            unit={t('readBy.hours')}
            value={read.restedHours}
            problem={problemAt('restedHours')}
            onChange={(restedHours) => onChange({ restedHours })}
            onClear={() => onChange({ restedHours: null })}
          />
          <p className="quiet text-xs">{t('readBy.restedHelp')}</p>
        </div>
      )}
    </>
  )
}
