import { useId } from 'react'
import { Problem } from './Message'

/** A few lines of one's own words, as long as the server keeps them. */
export function TextArea({
  label,
  value,
  problem,
  onChange,
}: {
  label: string
  value: string
  problem?: string
  onChange: (value: string) => void
}) {
  const id = useId()
  return (
    <>
      <label htmlFor={id} className="quiet block text-xs">
        {label}
      </label>
      <textarea
        id={id}
        className="textarea textarea-sm w-full max-w-prose"
        rows={2}
        maxLength={2000}
        value={value}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-wrong` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {problem && <Problem id={`${id}-wrong`}>{problem}</Problem>}
    </>
  )
}
