import { useId } from 'react'

/** One choice out of a list, under its label. */
export function SelectField({
  label,
  value,
  options,
  placeholder,
  hideLabel = false,
  onChoose,
}: {
  label: string
  /** Empty while nothing is chosen. */
  value: string
  options: { value: string; label: string }[]
  /** Shown while nothing is chosen. */
  placeholder?: string
  hideLabel?: boolean
  onChoose: (value: string) => void
}) {
  const id = useId()
  return (
    <div>
      <label className={hideLabel ? 'sr-only' : 'quiet block text-xs'} htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        className="select select-sm w-full max-w-64"
        value={value}
        onChange={(event) => onChoose(event.target.value)}
      >
        {placeholder && (
          <option value="" disabled>
            {placeholder}
          </option>
        )}
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </div>
  )
}
