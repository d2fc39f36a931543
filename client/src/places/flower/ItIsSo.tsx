import { useTranslation } from '../../shared/translation'
import type { RequestFailed } from '../../core/RequestFailed'

/** What was only asked about, because no flower reaches it, can be meant all the same. */
export function ItIsSo({ failed, onYes }: { failed: RequestFailed | null; onYes: () => void }) {
  const { t } = useTranslation()
  const isAsked =
    failed !== null && failed.problems.length > 0 && failed.problems.every((one) => one.code.startsWith('really'))
  if (!isAsked) return null
  return (
    <button type="button" className="btn btn-sm" onClick={onYes}>
      {t('make.itIsSo')}
    </button>
  )
}
