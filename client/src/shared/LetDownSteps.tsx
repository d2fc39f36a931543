import { useTranslation } from 'react-i18next'
import type { LetDown } from '../api/api'
import { grams, lumpWords, scale } from './words'

/** A let-down as steps for the hand. */
export function LetDownSteps({ letDown, name }: { letDown: LetDown; name: string }) {
  const { t } = useTranslation()
  return (
    <ol className="mt-1 list-decimal pl-5 text-sm" aria-label={t('letDown.steps', { name })}>
      {lumpWords(t, letDown, name).map((words) => (
        <li key={words}>{words}</li>
      ))}
      <li>
        {t('letDown.last', {
          white: scale(t, letDown.batchWhiteG),
          got: grams(t, letDown.doseG),
          waste: scale(t, letDown.wasteG),
        })}
      </li>
    </ol>
  )
}
