import { useTranslation } from './translation'
import type { Asking } from './useAsking'

/** Whether what was typed may be thrown away. */
export function AskFirst({ asking }: { asking: Asking }) {
  const { t } = useTranslation()
  if (!asking.isAsking) return null
  return (
    <div role="alertdialog" aria-label={t('unsaved.ask')} className="border-error my-2 border-l-4 pl-3 text-sm">
      <p className="font-semibold">{t('unsaved.ask')}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" autoFocus onClick={asking.stay}>
          {t('unsaved.stay')}
        </button>
        <button type="button" className="btn btn-sm" onClick={asking.throwAway}>
          {t('unsaved.throwAway')}
        </button>
      </div>
    </div>
  )
}
