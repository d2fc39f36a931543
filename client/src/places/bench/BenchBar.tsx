import { Check, Hourglass, Undo2 } from 'lucide-react'
import type { BenchTaskView } from '../../api/api'
import { useTranslation } from '../../shared/translation'

/** One large target to go on and one to go back, always at hand at the foot of the page. */
export function BenchBar({
  task,
  back,
  onDone,
  onDry,
  onTimer,
  onBack,
}: {
  task: BenchTaskView | undefined
  /** What would be taken back; null if nothing was done. */
  back: string | null
  onDone: () => void
  onDry: (isDry: boolean) => void
  onTimer: (seconds: number) => void
  onBack: () => void
}) {
  const { t } = useTranslation()
  if (!task && back === null) return null
  const step = task?.operation.step
  const size = 'btn h-18 min-w-0 px-4 text-xl sm:text-2xl'
  return (
    <div className="bg-base-100 sticky bottom-0 z-10 -mx-4 px-4 pt-2 pb-3 lg:mx-0 lg:px-0">
      <div className="flex flex-wrap-reverse gap-3">
        {back !== null && (
          <button className={size} title={t('benchDay.takeBack', { what: back })} onClick={onBack}>
            <Undo2 size={24} aria-hidden className="shrink-0" />
            {t('benchDay.back')}
          </button>
        )}
        {step?.kind === 'dryPieces' && (
          <button className={`${size} grow`} onClick={() => onDry(false)}>
            {t('benchDay.notYet')}
          </button>
        )}
        {step?.kind === 'steamPieces' && (
          <button className={`${size} grow`} onClick={() => onTimer(step.seconds)}>
            <Hourglass size={24} aria-hidden className="shrink-0" />
            {t('benchDay.startSeconds', { count: step.seconds })}
          </button>
        )}
        {task && (
          <button
            className={`${size} btn-primary grow-2 basis-44`}
            onClick={() => (step?.kind === 'dryPieces' ? onDry(true) : onDone())}
          >
            <Check size={28} aria-hidden className="shrink-0" />
            {t(step?.kind === 'dryPieces' ? 'benchDay.yes' : 'benchDay.done')}
          </button>
        )}
      </div>
      {back !== null && <p className="quiet truncate text-xs">{t('benchDay.takeBack', { what: back })}</p>}
    </div>
  )
}
