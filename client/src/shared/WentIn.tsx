import { useQuery } from '@tanstack/react-query'
import type { DoseUnitKind, MeasuredPaste } from '../api/api'
import { queries } from '../api/queries'
import { NumberField } from './NumberField'
import { SelectField } from './SelectField'
import { useTranslation } from './translation'
import type { ProblemAt } from './Editor'
import { nameFinder } from './words'

const byWeight = 'g'

/** What really went into the paste and what it was measured by: as the sheet has it, until the maker says otherwise. */
export function WentIn({
  paste,
  help,
  problemAt,
  onChange,
}: {
  paste: MeasuredPaste
  help: string
  problemAt: ProblemAt
  onChange: (paste: MeasuredPaste) => void
}) {
  const { t } = useTranslation()
  const materials = useQuery(queries.materials()).data ?? []
  const nameOf = nameFinder(materials)
  const change = (at: number, part: Partial<MeasuredPaste['doses'][number]>) =>
    onChange({ ...paste, doses: paste.doses.map((dose, i) => (i === at ? { ...dose, ...part } : dose)) })
  return (
    <fieldset className="basis-full">
      <legend className="quiet text-xs">{t('log.wentIn.title')}</legend>
      <p className="quiet max-w-prose text-xs">{help}</p>
      <ul className="mt-1 flex flex-wrap items-end gap-x-6 gap-y-2">
        {paste.doses.map((dose, i) => {
          const name = nameOf(dose.colourantId)
          const kinds = materials.find((one) => one.id === dose.colourantId)?.units.map((unit) => unit.kind) ?? []
          return (
            <li key={dose.colourantId} className="flex items-end gap-x-2">
              <NumberField
                label={name}
                value={dose.amount}
                problem={problemAt(`wentIn.doses[${i}].amount`)}
                onChange={(amount) => change(i, { amount })}
              />
              <SelectField
                label={t('log.wentIn.unit', { name })}
                hideLabel
                value={dose.unit ?? byWeight}
                options={[
                  ...kinds.map((kind) => ({ value: kind as string, label: t(`dose.many.${kind}`) })),
                  { value: byWeight, label: t('log.wentIn.weighed') },
                ]}
                onChoose={(unit) => change(i, { unit: unit === byWeight ? null : (unit as DoseUnitKind) })}
              />
            </li>
          )
        })}
        <li>
          <NumberField
            label={t('log.wentIn.paste')}
            unit="g"
            value={paste.pasteG}
            problem={problemAt('wentIn.pasteG')}
            onChange={(pasteG) => onChange({ ...paste, pasteG })}
          />
        </li>
      </ul>
    </fieldset>
  )
}
