import { useId } from 'react'

/** A number to slide, with what it means in words. */
export function RangeField({
  label,
  value,
  most,
  step,
  words,
  onChange,
}: {
  label: React.ReactNode
  value: number
  most: number
  step: number
  words: string
  onChange: (value: number) => void
}) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="quiet block text-xs">
        {label}
      </label>
      <input
        id={id}
        type="range"
        className="range range-sm w-full"
        min={0}
        max={most}
        step={step}
        value={value}
        aria-valuetext={words}
        onChange={(event) => onChange(Number(event.target.value))}
      />
      <p className="text-sm font-semibold">{words}</p>
    </div>
  )
}
