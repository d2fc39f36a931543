import { Dices } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { Marking } from '../../api/api'
import { MarkingLimits } from '../../api/limits'
import type { ProblemAt } from '../../shared/Editor'
import { NumberField } from '../../shared/NumberField'
import { RangeField } from '../../shared/RangeField'
import { SelectField } from '../../shared/SelectField'
import { useBeginnings } from './useBeginnings'

/** What is painted with a colour that was let down: a wash all over, or a detail by the brush. */
export function MarkingFields({
  marking,
  problemAt,
  onChange,
}: {
  marking: Marking | null | undefined
  /** Path within the coat. */
  problemAt: ProblemAt
  onChange: (marking: Marking | null) => void
}) {
  const { t } = useTranslation()
  const { markings } = useBeginnings()
  return (
    <div className="space-y-2">
      <SelectField
        label={t('marking.title')}
        value={marking?.kind ?? 'none'}
        options={[
          { value: 'none', label: t('marking.none') },
          ...markings.map(({ kind }) => ({ value: kind, label: t(`marking.${kind}`) })),
        ]}
        onChoose={(kind) => {
          const first = markings.find((one) => one.kind === kind)
          onChange(first ? { ...first, seed: marking?.seed ?? first.seed } : null)
        }}
      />
      {marking && (
        <>
          <div className="flex flex-wrap gap-x-3 gap-y-1">
            <NumberField
              label={t(marking.kind === 'dots' || marking.kind === 'blotch' ? 'marking.across' : 'marking.wide')}
              unit="mm"
              value={marking.sizeMm}
              problem={problemAt('marking.sizeMm')}
              onChange={(sizeMm) => onChange({ ...marking, sizeMm })}
            />
            {markings.some((one) => one.kind === marking.kind && one.isSpaced) && (
              <NumberField
                label={t('marking.apart')}
                unit="mm"
                value={marking.spacingMm}
                problem={problemAt('marking.spacingMm')}
                onChange={(spacingMm) => onChange({ ...marking, spacingMm })}
              />
            )}
          </div>
          <RangeField
            label={t(marking.kind === 'dots' ? 'marking.scatter' : 'marking.waver')}
            most={MarkingLimits.waver.maximum}
            step={0.05}
            value={marking.waver}
            words={t('marking.percent', { percent: Math.round(100 * marking.waver) })}
            onChange={(waver) => onChange({ ...marking, waver })}
          />
          <button
            type="button"
            className="act flex min-h-6 items-center gap-1 text-sm"
            onClick={() => onChange({ ...marking, seed: marking.seed + 1 })}
          >
            <Dices size={15} aria-hidden />
            {t('marking.again')}
          </button>
        </>
      )}
    </div>
  )
}
