import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { useTranslation } from './translation'
import { NumberField } from './NumberField'

/** One colour of a paste: its dose to type, and a way to take it out. */
export function DoseRow({
  name,
  gPer100g,
  problem,
  before,
  after,
  onDose,
  onRemove,
}: {
  name: string
  gPer100g: number
  problem: string | undefined
  /** Shown before its name. */
  before?: ReactNode
  /** Shown after its dose. */
  after?: ReactNode
  onDose: (gPer100g: number) => void
  onRemove: () => void
}) {
  const { t } = useTranslation()
  return (
    <li className="flex items-start gap-x-2 text-sm">
      {before}
      <span className="min-w-16 grow truncate pt-1" title={name}>
        {name}
      </span>
      <NumberField
        label={t('paste.dose', { name })}
        hideLabel
        unit={t('paste.per100')}
        value={gPer100g}
        problem={problem}
        onChange={onDose}
      />
      {after}
      <button className="btn btn-ghost btn-sm btn-square" aria-label={t('paste.remove', { name })} onClick={onRemove}>
        <X size={16} aria-hidden />
      </button>
    </li>
  )
}
