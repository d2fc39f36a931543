import { useTranslation } from './translation'
import type { LetDown } from '../api/api'
import { grams, lumpWords, scale } from './words'

/** A let-down as steps for the hand. @param batchWhiteG White to weigh for the batch, where that is not told elsewhere. */
export function LetDownSteps({ letDown, name, batchWhiteG }: { letDown: LetDown; name: string; batchWhiteG?: number }) {
  const { t } = useTranslation()
  return (
    <ol className="mt-1 list-decimal pl-5 text-sm" aria-label={t('letDown.steps', { name })}>
      {lumpWords(t, letDown, name).map((words) => (
        <li key={words}>{words}</li>
      ))}
      <li>
        {t(batchWhiteG === undefined ? 'letDown.intoBatch' : 'letDown.last', {
          white: scale(t, batchWhiteG ?? 0),
          brought: scale(t, letDown.broughtG),
          got: grams(t, letDown.doseG),
          waste: scale(t, letDown.wasteG),
        })}
      </li>
    </ol>
  )
}
