import { X } from 'lucide-react'
import type { NameOf } from '../../shared/words'

/** Materials that have been picked, each to be put back with a press. */
export function PickedList({
  ids,
  nameOf,
  removeLabel,
  onRemove,
}: {
  ids: string[]
  nameOf: NameOf
  removeLabel: (name: string) => string
  onRemove: (id: string) => void
}) {
  return (
    <ul className="flex flex-wrap gap-1 text-sm">
      {ids.map((id) => (
        <li key={id}>
          <button className="btn btn-xs font-normal" aria-label={removeLabel(nameOf(id))} onClick={() => onRemove(id)}>
            {nameOf(id)}
            <X size={12} aria-hidden />
          </button>
        </li>
      ))}
    </ul>
  )
}
