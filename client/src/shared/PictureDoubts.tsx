import { TriangleAlert } from 'lucide-react'
import { useTranslation } from './translation'
import type { LightDoubt, Patch } from '../api/api'

/** Why a picture cannot be trusted, as a whole or where it was read. */
export function PictureDoubts({ light, patches }: { light: LightDoubt[]; patches: Patch[] }) {
  const { t } = useTranslation()
  const patchDoubts = [...new Set(patches.flatMap((patch) => patch.doubts))]
  const words = [
    ...light.map((one) => t(`pictures.lightDoubt.${one}`)),
    ...patchDoubts.map((one) => t(`pictures.patchDoubt.${one}`)),
  ]
  if (words.length === 0) return null
  return (
    <div role="status">
      <ul className="space-y-1 text-sm">
        {words.map((one) => (
          <li key={one} className="flex items-start gap-1">
            <TriangleAlert size={16} aria-hidden className="mt-0.5 shrink-0" />
            {one}
          </li>
        ))}
      </ul>
    </div>
  )
}
