import { isClash } from '../../core/RequestFailed'
import { Failure, Problem } from '../../shared/Message'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import type { PlansTogether } from './usePlansTogether'

/** What came of keeping several plans: kept, with a way back, or not, and why. */
export function KeptTogether({ plans: { save, putBack }, nameOf }: { plans: PlansTogether; nameOf: NameOf }) {
  const { t } = useTranslation()
  return (
    <>
      {save.isSuccess && (
        <p role="status" className="flex flex-wrap items-center gap-3 text-sm">
          {t('onto.kept', { count: save.data.length })}
          <button className="btn btn-sm" disabled={putBack.isPending} onClick={() => putBack.mutate(save.data)}>
            {t('onto.putBack')}
          </button>
        </p>
      )}
      {putBack.isSuccess && !save.isSuccess && (
        <p role="status" className="quiet text-sm">
          {t('onto.isBack')}
        </p>
      )}
      {[save.error, putBack.error].map((error, i) =>
        isClash(error) ? (
          <div key={i} role="alert">
            <Problem>{t('onto.clash')}</Problem>
          </div>
        ) : (
          <Failure key={i} error={error} nameOf={nameOf} />
        ),
      )}
    </>
  )
}
