import { useId, useState } from 'react'
import { useTranslation } from 'react-i18next'
import { Problem } from './Message'

/**
 * A number as people type it: a comma counts as a point, and what is no number is kept and said, not swallowed. Whether a
 * number is sensible is not judged here; `problem` says so.
 */
export function NumberField({
  label,
  value,
  onChange,
  onClear,
  unit,
  problem,
  hideLabel = false,
  className = '',
}: {
  label: string
  value: number | null
  onChange: (value: number) => void
  /** For a number that need not be known: the field was emptied. */
  onClear?: () => void
  unit?: string
  problem?: string
  hideLabel?: boolean
  className?: string
}) {
  const { t } = useTranslation()
  const id = useId()
  // What is being typed; without it the field shows the value, so that other controls move it.
  const [typed, setTyped] = useState<string | null>(null)
  const isEmptied = (text: string) => onClear !== undefined && text.trim() === ''
  const wrong = typed !== null && read(typed) === null && !isEmptied(typed) ? t('problem.notANumber') : problem
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'quiet block text-xs'}>
        {label}
      </label>
      <span className="flex items-center gap-1">
        <input
          id={id}
          className="input input-sm w-16 px-2"
          inputMode="decimal"
          value={typed ?? (value === null ? '' : String(Number(value.toPrecision(4))))}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          onChange={(event) => {
            setTyped(event.target.value)
            const number = read(event.target.value)
            if (number !== null) onChange(number)
            else if (isEmptied(event.target.value)) onClear?.()
          }}
          onBlur={() => typed !== null && (read(typed) !== null || isEmptied(typed)) && setTyped(null)}
        />
        {unit && <span className="quiet text-sm">{unit}</span>}
      </span>
      {wrong && <Problem id={`${id}-wrong`}>{wrong}</Problem>}
    </div>
  )
}

function read(text: string): number | null {
  const plain = text.trim().replace(',', '.')
  if (!/^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain)) return null
  return Number(plain)
}
