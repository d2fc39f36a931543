import type { NameOf } from '../../shared/words'
import { X } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { Material, Portion } from '../../api/api'
import { AddMaterial } from '../../shared/AddMaterial'
import type { ProblemAt } from '../../shared/Editor'
import { Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { Swatch } from '../../shared/Swatch'

/** What goes into a mix, in parts by mass. */
export function MixFields({
  mix,
  choices,
  nameOf,
  path = 'mix',
  problemAt,
  onChange,
}: {
  mix: Portion[]
  /** What may go in. */
  choices: Material[]
  nameOf: NameOf
  /** Of the mix within the coat. */
  path?: string
  problemAt: ProblemAt
  onChange: (mix: Portion[]) => void
}) {
  const { t } = useTranslation()
  const mixProblem = problemAt(path)
  return (
    <fieldset className="min-w-0">
      <legend className="quiet text-xs">{t('mix.title')}</legend>
      <ul className="space-y-1">
        {mix.map((part, i) => {
          const chip = choices.find((material) => material.id === part.materialId)?.chip
          return (
            <li key={part.materialId} className="flex items-start gap-2">
              {chip && <Swatch colour={chip} className="border-surround mt-0.5 h-8 w-10 rounded-b-lg border-4" />}
              <span className="min-w-0 grow truncate pt-1 text-sm">{nameOf(part.materialId)}</span>
              <NumberField
                label={t('mix.parts', { name: nameOf(part.materialId) })}
                hideLabel
                unit={t('mix.unit')}
                value={part.parts}
                problem={problemAt(`${path}[${i}].parts`) ?? problemAt(`${path}[${i}].materialId`)}
                onChange={(parts) => onChange(mix.map((old, j) => (i === j ? { ...old, parts } : old)))}
              />
              <button
                className="btn btn-ghost btn-sm btn-square"
                aria-label={t('mix.remove', { name: nameOf(part.materialId) })}
                onClick={() => onChange(mix.filter((_, j) => i !== j))}
              >
                <X size={16} aria-hidden />
              </button>
            </li>
          )
        })}
      </ul>
      {mixProblem && <Problem>{mixProblem}</Problem>}
      <AddMaterial
        label={t('mix.add')}
        materials={choices.filter((m) => !m.isRetired && !mix.some((part) => part.materialId === m.id))}
        onAdd={(id) => onChange([...mix, { materialId: id, parts: 1 }])}
      />
    </fieldset>
  )
}
