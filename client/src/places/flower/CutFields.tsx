import type { Piece } from '../../api/api'
import type { ProblemAt } from '../../shared/Editor'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'

type Form = NonNullable<Piece['form']>
type Cut = NonNullable<Form['cut']>

const plain: Cut = { rimMm: null, lobes: 1, nubMm: null, inBothHands: false }

/** What is particular about the cutting of a flat piece: its rim, lobes in one, a nub, two hands; and how many are gathered. */
export function CutFields({
  piece,
  problemAt,
  onChange,
}: {
  piece: Piece
  problemAt: ProblemAt
  onChange: (form: Partial<Form>) => void
}) {
  const { t } = useTranslation()
  const cut = { ...plain, ...piece.form?.cut }
  const setCut = (change: Partial<Cut>) => onChange({ cut: { ...cut, ...change } })
  return (
    <details className="text-sm">
      <summary className="act min-h-8 cursor-pointer">{t('make.cut')}</summary>
      <div className="mt-1 flex flex-wrap items-end gap-x-3 gap-y-1">
        {!piece.solid && (
          <>
            <NumberField
              label={t('make.rim')}
              unit="mm"
              value={cut.rimMm ?? null}
              problem={problemAt('form.cut.rimMm')}
              onChange={(rimMm) => setCut({ rimMm })}
              onClear={() => setCut({ rimMm: null })}
            />
            <NumberField
              label={t('make.lobes')}
              whole
              value={cut.lobes ?? null}
              problem={problemAt('form.cut.lobes')}
              onChange={(lobes) => setCut({ lobes })}
            />
            <NumberField
              label={t('make.nub')}
              unit="mm"
              value={cut.nubMm ?? null}
              problem={problemAt('form.cut.nubMm')}
              onChange={(nubMm) => setCut({ nubMm })}
              onClear={() => setCut({ nubMm: null })}
            />
          </>
        )}
        <NumberField
          label={t('make.gathered')}
          whole
          value={piece.form?.gatheredBy ?? null}
          problem={problemAt('form.gatheredBy')}
          onChange={(gatheredBy) => onChange({ gatheredBy })}
          onClear={() => onChange({ gatheredBy: null })}
        />
        {!piece.solid && (
          <SelectField
            label={t('make.hands')}
            value={cut.inBothHands ? 'both' : 'one'}
            options={(['one', 'both'] as const).map((value) => ({ value, label: t(`make.hand.${value}`) }))}
            onChoose={(hand) => setCut({ inBothHands: hand === 'both' })}
          />
        )}
      </div>
      <p className="quiet mt-1 max-w-prose text-xs">{t('make.cutHelp')}</p>
    </details>
  )
}
