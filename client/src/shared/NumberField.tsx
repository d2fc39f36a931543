import { useEffect, useId, useRef, useState } from 'react'
import { useTranslation } from './translation'
import { Problem } from './Message'
import { readNumber } from '../core/readNumber'
import { decimalMark, typedNumber } from './numbers'

/**
 * A number as people type it in their language. What cannot be read is kept on the screen and said, and the value stays what it was
 * before: never a part of what was typed. Whether a number is sensible is not judged here; `problem` says so.
 */
export function NumberField({
  label,
  value,
  onChange,
  onClear,
  unit,
  problem,
  whole = false,
  hideLabel = false,
  className = '',
}: {
  label: React.ReactNode
  value: number | null
  onChange: (value: number) => void
  /** For a number that need not be known: the field was emptied. */
  onClear?: () => void
  unit?: string
  problem?: string
  /** What is counted: a fraction of it is asked about, not rounded. */
  whole?: boolean
  hideLabel?: boolean
  className?: string
}) {
  const { t } = useTranslation()
  const id = useId()
  const input = useRef<HTMLInputElement>(null)
  // What is being typed; without it the field shows the value, so that other controls move it.
  const [typed, setTyped] = useState<string | null>(null)
  const before = useRef(value)
  const read = typed === null ? null : understood(typed)
  const isBad = read !== null && read.kind !== 'number' && read.kind !== 'empty'
  const wrong = isBad ? t(whole && read.kind === 'fraction' ? 'problem.notWhole' : 'problem.notANumber') : problem

  // A form with it is not sent: the browser leads there.
  useEffect(() => input.current?.setCustomValidity(isBad ? t('problem.notANumber') : ''), [isBad, t])

  function understood(text: string) {
    if (onClear && text.trim() === '') return { kind: 'empty' } as const
    const number = readNumber(text, decimalMark())
    return whole && number.kind === 'number' && !Number.isInteger(number.value)
      ? ({ kind: 'fraction' } as const)
      : number
  }

  const tell = (next: number | null) => {
    if (next !== null) onChange(next)
    else onClear?.()
  }

  function type(text: string) {
    if (typed === null) before.current = value
    setTyped(text)
    const now = understood(text)
    if (now.kind === 'number') onChange(now.value)
    else if (now.kind === 'empty') onClear?.()
    else if (value !== before.current) tell(before.current)
  }

  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'quiet block text-xs'}>
        {label}
      </label>
      <span className="flex items-center gap-1">
        <input
          ref={input}
          id={id}
          className="input input-sm w-18 px-2"
          inputMode={whole ? 'numeric' : 'decimal'}
          value={typed ?? (value === null ? '' : typedNumber(value))}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          onChange={(event) => type(event.target.value)}
          onBlur={() => !isBad && setTyped(null)}
        />
        {unit && <span className="quiet text-sm whitespace-nowrap">{unit}</span>}
      </span>
      {read?.kind === 'ambiguous' ? (
        <div id={`${id}-wrong`} role="alert" className="mt-1 text-sm">
          {t('number.which')}{' '}
          {read.values.map((one) => (
            <button
              key={one}
              type="button"
              className="btn btn-xs mr-1"
              onClick={() => {
                onChange(one)
                setTyped(null)
                input.current?.focus()
              }}
            >
              {typedNumber(one)}
            </button>
          ))}
        </div>
      ) : (
        wrong && <Problem id={`${id}-wrong`}>{wrong}</Problem>
      )}
    </div>
  )
}
