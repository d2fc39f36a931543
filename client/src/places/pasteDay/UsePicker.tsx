import { X } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { PasteUse } from '../../api/api'
import { grams } from '../../shared/words'
import { inSentence } from '../../shared/inSentence'

/** Which pieces a paste is for: of this flower first, then of the others in its commission. */
export function UsePicker({
  label,
  uses,
  chosen,
  taken,
  onChoose,
}: {
  label: string
  uses: PasteUse[]
  chosen: string[]
  /** Pieces that have their paste already. */
  taken: string[]
  onChoose: (pieceIds: string[]) => void
}) {
  const { t } = useTranslation()
  const nameOf = (use: PasteUse) => `${use.flowerName}, ${inSentence(use.piece.name)}`
  const open = uses.filter((use) => !chosen.includes(use.piece.id) && !taken.includes(use.piece.id))
  return (
    <div className="text-sm">
      <ul>
        {uses
          .filter((use) => chosen.includes(use.piece.id))
          .map((use) => (
            <li key={use.piece.id} className="flex items-center gap-1">
              <span className="min-w-0 truncate" title={nameOf(use)}>
                {nameOf(use)}
              </span>
              <span className="quiet whitespace-nowrap">{grams(t, use.piece.batchG)}</span>
              <button
                className="btn btn-ghost btn-xs btn-square min-h-6 min-w-6"
                aria-label={t('pastePlan.notFor', { name: nameOf(use), paste: label })}
                onClick={() => onChoose(chosen.filter((id) => id !== use.piece.id))}
              >
                <X size={14} aria-hidden />
              </button>
            </li>
          ))}
      </ul>
      {open.length > 0 && (
        <select
          className="select select-xs min-h-6 w-full max-w-48 print:hidden"
          aria-label={t('pastePlan.useFor', { paste: label })}
          value=""
          onChange={(event) => onChoose([...chosen, event.target.value])}
        >
          <option value="" disabled>
            {t('pastePlan.addUse')}
          </option>
          {open.map((use) => (
            <option key={use.piece.id} value={use.piece.id}>
              {nameOf(use)}
            </option>
          ))}
        </select>
      )}
    </div>
  )
}
