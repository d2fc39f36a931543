import { useTranslation } from '../../shared/translation'
import { useHasUnsavedForm } from '../../shared/unsavedForms'
import type { SaveState } from '../../core/PlanSession'

/** Whether what is on the page is kept, in two or three words; said aloud when it changes. */
export function SaveWords({ save }: { save: SaveState }) {
  const { t } = useTranslation()
  const hasUnsavedForm = useHasUnsavedForm()
  if (save.kind === 'saved' && hasUnsavedForm) {
    return (
      <span role="status" className="font-semibold">
        {t('save.formOpen')}
      </span>
    )
  }
  const troubled = save.kind === 'waiting' || save.kind === 'refused' || save.kind === 'clash'
  return (
    <span role="status" className={troubled ? 'text-error font-semibold' : 'quiet whitespace-nowrap'}>
      {t(`save.${save.kind}`)}
    </span>
  )
}
