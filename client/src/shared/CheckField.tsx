/** Yes or no, with its label beside it. */
export function CheckField({
  label,
  checked,
  disabled = false,
  className = '',
  onChange,
}: {
  label: string
  checked: boolean
  disabled?: boolean
  className?: string
  onChange: (isChecked: boolean) => void
}) {
  return (
    <label className={`flex min-h-8 items-center gap-2 text-sm ${className}`}>
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  )
}
