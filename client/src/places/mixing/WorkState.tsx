import { useTranslation } from '../../shared/translation'
import { Failure } from '../../shared/Message'
import type { NameOf } from '../../shared/words'
import type { LongWork } from './useLongWork'

/** How far a search is, with a way to stop it, and what went wrong with it. */
export function WorkState<T>({ work, nameOf }: { work: LongWork<T>; nameOf: NameOf }) {
  const { t } = useTranslation()
  return (
    <>
      {work.progress !== null && (
        <p className="mt-2 flex flex-wrap items-center gap-3 text-sm">
          <progress
            className="progress progress-primary w-40"
            aria-label={t('mixing.progress')}
            max={1}
            value={work.progress}
          />
          <span className="quiet">{t('mixing.searched', { percent: Math.round(work.progress * 100) })}</span>
          <button className="btn btn-sm" onClick={work.stop}>
            {t('mixing.stop')}
          </button>
        </p>
      )}
      {work.stopped && (
        <p role="status" className="quiet mt-2 text-sm">
          {t('mixing.stopped')}
        </p>
      )}
      <Failure error={work.error} nameOf={nameOf} />
    </>
  )
}
