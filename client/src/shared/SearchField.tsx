/** Narrows a list to what has some words in it. */
export function SearchField({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (value: string) => void
}) {
  return (
    <label className="text-sm">
      <span className="quiet block text-xs">{label}</span>
      <input
        type="search"
        className="input input-sm w-56"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}
