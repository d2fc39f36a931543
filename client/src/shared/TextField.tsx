import { useId } from 'react'
import { Problem } from './Message'

/** A line of text, or a day, under its label. */
export function TextField({
  label,
  value,
  problem,
  type = 'text',
  most,
  autoComplete,
  className,
  onChange,
}: {
  label: string
  value: string
  problem?: string
  type?: 'text' | 'date' | 'password'
  /** What a browser may fill in, as HTML names it. */
  autoComplete?: string
  /** Letters that the server keeps. */
  most?: number
  className: string
  onChange: (value: string) => void
}) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="quiet block text-xs">
        {label}
      </label>
      <input
        id={id}
        type={type}
        className={`input input-sm ${className}`}
        value={value}
        maxLength={most}
        autoComplete={autoComplete}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-wrong` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {problem && <Problem id={`${id}-wrong`}>{problem}</Problem>}
    </div>
  )
}
