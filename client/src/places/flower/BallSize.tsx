import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Piece } from '../../api/api'
import { answer, api } from '../../api/api'
import { RequestFailed } from '../../core/RequestFailed'
import { queries } from '../../api/queries'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'
import { useProblems } from '../../shared/useProblems'
import { grams } from '../../shared/words'

type By = 'ballMm' | 'grams' | 'hole'

/** The size by the paste that is in one: a ball, its weight, or a hole of the maker's own; length and width follow. */
export function BallSize({ piece, onChange }: { piece: Piece; onChange: (piece: Piece) => void }) {
  const { t } = useTranslation()
  const holes = useQuery(queries.studio()).data?.holesMm ?? []
  const now = useQuery({
    queryKey: ['piece-size', piece],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/piece-sizes', { body: { piece, grams: null, ballMm: null }, signal })),
    retry: false,
    placeholderData: (before) => before,
  }).data
  const [by, setBy] = useState<By>('ballMm')
  const [amount, setAmount] = useState<number | null>(null)
  const size = useMutation({
    mutationFn: (wanted: { grams: number | null; ballMm: number | null }) =>
      answer(api.POST('/api/piece-sizes', { body: { piece, ...wanted } })),
    onSuccess: ({ lengthMm, widthMm, thicknessMm, skinMm }) =>
      onChange({
        ...piece,
        lengthMm,
        widthMm,
        thicknessMm,
        ...(skinMm !== null && { form: { ...piece.form!, body: { ...piece.form!.body!, skinMm } } }),
      }),
  })
  const problemAt = useProblems([size.error])
  const bys: By[] = holes.length > 0 ? ['ballMm', 'grams', 'hole'] : ['ballMm', 'grams']
  const problem =
    problemAt('ballMm') ?? problemAt('grams') ?? (size.error instanceof RequestFailed ? t('make.noSize') : undefined)
  return (
    <details className="text-sm">
      <summary className="act min-h-8 cursor-pointer">
        {now && now.grams > 0
          ? t(now.hole === null ? 'make.takes' : 'make.takesHole', {
              mass: grams(t, now.grams),
              ball: now.ball,
              hole: now.hole,
            })
          : t('make.byBall')}
      </summary>
      <div className="mt-1 flex flex-wrap items-end gap-x-3 gap-y-1">
        <SelectField
          label={t('make.sizeBy')}
          value={by}
          options={bys.map((value) => ({ value, label: t(`make.by.${value}`) }))}
          onChoose={(value) => {
            setBy(value as By)
            setAmount(null)
          }}
        />
        {by === 'hole' ? (
          <SelectField
            label={t('make.hole')}
            value={amount === null ? '' : String(amount)}
            placeholder={t('make.chooseHole')}
            options={holes.map((mm, i) => ({ value: String(mm), label: t('make.holeOf', { hole: i + 1, mm }) }))}
            onChoose={(mm) => setAmount(Number(mm))}
          />
        ) : (
          <NumberField
            label={t(`make.by.${by}`)}
            unit={by === 'grams' ? 'g' : 'mm'}
            value={amount}
            onChange={setAmount}
            onClear={() => setAmount(null)}
          />
        )}
        <button
          type="button"
          className="btn btn-sm"
          disabled={amount === null || size.isPending}
          onClick={() =>
            size.mutate(by === 'grams' ? { grams: amount, ballMm: null } : { grams: null, ballMm: amount })
          }
        >
          {t('make.sizeIt')}
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-error mt-1 text-sm">
          {problem}
        </p>
      )}
    </details>
  )
}
