import { useId } from 'react'
import type { Material } from '../../api/api'

/** One colour out of those for paste. */
export function PickColour({
  label,
  colours,
  chosen,
  onPick,
}: {
  label: string
  colours: Material[]
  chosen: string
  onPick: (id: string) => void
}) {
  const id = useId()
  return (
    <div>
      <label className="quiet block text-xs" htmlFor={id}>
        {label}
      </label>
      <select id={id} className="select select-sm w-64" value={chosen} onChange={(event) => onPick(event.target.value)}>
        {colours.map((material) => (
          <option key={material.id} value={material.id}>
            {material.name}
          </option>
        ))}
      </select>
    </div>
  )
}
