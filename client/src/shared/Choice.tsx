/** A few choices of which one holds, as large buttons. */
export function Choice<T extends string>({
  legend,
  options,
  chosen,
  onChoose,
}: {
  legend: React.ReactNode
  options: { value: T; label: string }[]
  chosen: T | undefined
  onChoose: (value: T) => void
}) {
  return (
    <fieldset>
      <legend className="quiet text-xs">{legend}</legend>
      <div className="join flex-wrap">
        {options.map(({ value, label }) => (
          <button
            key={value}
            type="button"
            aria-pressed={chosen === value}
            className={`btn btn-sm join-item min-w-8 px-2 font-normal ${chosen === value ? 'btn-neutral' : ''}`}
            onClick={() => onChoose(value)}
          >
            {label}
          </button>
        ))}
      </div>
    </fieldset>
  )
}
