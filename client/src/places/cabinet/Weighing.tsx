import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { DoseUnitKind, MaterialRecord } from '../../api/api'
import { answer, api } from '../../api/api'
import { Choice } from '../../shared/Choice'
import { Failure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { Term } from '../../shared/Term'
import { CheckField } from '../../shared/CheckField'

const units = { touch: 'touchG', drop: 'dropG', pea: 'peaG', knifeTip: 'knifeTipG', pinch: 'pinchG' } as const
const kinds = Object.keys(units) as DoseUnitKind[]

/** A maker's own measures of a colour: what one touch weighs, found by weighing ten. */
export function Weighing({
  sheet,
  problemAt,
  onChange,
}: {
  sheet: MaterialRecord
  problemAt: (field: string) => string | undefined
  onChange: (part: Partial<MaterialRecord>) => void
}) {
  const { t } = useTranslation()
  const [unit, setUnit] = useState<DoseUnitKind>(kinds.find((kind) => sheet[units[kind]] != null) ?? 'touch')
  const [totalG, setTotalG] = useState(0.12)
  const [count, setCount] = useState(10)
  const withoutIt = (sheet.weighedUnits ?? []).filter((one) => one !== unit)
  const weigh = useMutation({
    mutationFn: () => answer(api.POST('/api/materials/weigh', { body: { totalG, count } })),
    onSuccess: ({ meanG }) => onChange({ [units[unit]]: meanG, weighedUnits: [...withoutIt, unit] }),
  })
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <Choice
        legend={<Term name="touch">{t('material.unit')}</Term>}
        options={kinds.map((value) => ({ value, label: t(`dose.one.${value}`) }))}
        chosen={unit}
        onChoose={setUnit}
      />
      <NumberField
        key={unit}
        label={t('material.unitG', { unit: t(`dose.one.${unit}`) })}
        value={sheet[units[unit]] ?? null}
        unit="g"
        problem={problemAt(units[unit])}
        onChange={(value) => onChange({ [units[unit]]: value })}
        onClear={() => onChange({ [units[unit]]: null, weighedUnits: withoutIt })}
      />
      <CheckField
        label={t('material.weigh.isWeighed')}
        checked={withoutIt.length < (sheet.weighedUnits ?? []).length}
        onChange={(isChecked) => onChange({ weighedUnits: isChecked ? [...withoutIt, unit] : withoutIt })}
      />
      <details className="text-sm">
        <summary className="act min-h-6">{t('material.weigh.title', { units: t(`dose.many.${unit}`) })}</summary>
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <NumberField label={t('material.weigh.count')} value={count} onChange={setCount} />
          <NumberField label={t('material.weigh.total')} value={totalG} unit="g" onChange={setTotalG} />
          <button type="button" className="btn btn-sm" onClick={() => weigh.mutate()}>
            {t('material.weigh.take')}
          </button>
        </div>
        <Failure error={weigh.error} nameOf={(id) => id} />
      </details>
    </div>
  )
}
