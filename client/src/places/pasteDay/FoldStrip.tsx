import { Flag } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { MarbleFolds } from '../../api/api'
import { FieldPicture } from '../../shared/FieldPicture'
import { deltaE } from '../../shared/words'

const cell = { widthMm: 60, lengthMm: 45 }

/** What each further fold makes of the sheet, up to the one at which it goes flat. */
export function FoldStrip({
  view,
  chosen,
  onFolds,
}: {
  view: MarbleFolds
  chosen: number
  onFolds: (folds: number) => void
}) {
  const { t } = useTranslation()
  const left = view.flatAt === null ? null : view.flatAt - chosen
  return (
    <div>
      <p className="text-sm font-semibold" role="status">
        {left === null
          ? t('marble.neverFlat')
          : left > 0
            ? t('marble.foldsLeft', { count: left, at: view.flatAt })
            : t('marble.isFlat', { at: view.flatAt })}
      </p>
      <ol className="surround mt-1 flex gap-1 overflow-x-auto p-2" tabIndex={0} aria-label={t('marble.strip')}>
        {view.folds.map(({ seen, picture }) => (
          <li key={seen.folds} className="shrink-0">
            <button
              className="outline-surround-ink block cursor-pointer text-left text-xs outline-offset-1 aria-pressed:outline-2"
              aria-pressed={seen.folds === chosen}
              aria-label={t('marble.foldLabel', {
                count: seen.folds,
                look: t(`marble.look.${seen.look}`),
                deltaE: deltaE(seen.contrast),
              })}
              onClick={() => onFolds(seen.folds)}
            >
              <FieldPicture field={picture} piece={cell} heightPx={54} label="" />
              <span aria-hidden className="flex items-center gap-1">
                {seen.folds}
                {seen.look === 'flat' && <Flag size={12} />}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  )
}
