import type { Material } from '../api/api'

/** A list of what is not in a mix yet; choosing one puts it in. */
export function AddMaterial({
  label,
  materials,
  onAdd,
}: {
  label: string
  materials: Material[]
  onAdd: (id: string) => void
}) {
  return (
    <select
      className="select select-sm mt-1 w-full max-w-72"
      aria-label={label}
      value=""
      onChange={(event) => onAdd(event.target.value)}
    >
      <option value="" disabled>
        {label}
      </option>
      {materials.map((material) => (
        <option key={material.id} value={material.id}>
          {material.name}
        </option>
      ))}
    </select>
  )
}
