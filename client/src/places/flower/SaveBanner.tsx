import { useTranslation } from '../../shared/translation'
import type { PlanSession, Session } from '../../core/PlanSession'

/** What the maker must know about changes from elsewhere and about saving that does not get through. */
export function SaveBanner({ session, state }: { session: PlanSession; state: Session }) {
  const { t } = useTranslation()
  const { save } = state
  if (save.kind === 'clash') {
    return (
      <div role="alert" className="border-error mx-4 mb-2 border-l-4 pl-3 text-sm">
        <p className="font-semibold">
          {t('clash.title', { parts: save.parts.map((part) => t(`clash.part.${part}`)).join(', ') })}
        </p>
        <p>{t('clash.choose')}</p>
        <div className="mt-2 flex gap-2">
          <button className="btn btn-sm" onClick={() => session.takeTheirs()}>
            {t('clash.theirs')}
          </button>
          <button className="btn btn-sm" onClick={() => session.keepMine()}>
            {t('clash.mine')}
          </button>
        </div>
      </div>
    )
  }
  if (save.kind === 'waiting') {
    return (
      <p role="alert" className="border-error mx-4 mb-2 border-l-4 pl-3 text-sm">
        {t(`trouble.${save.code}`)} {t('save.waitingHelp')}
      </p>
    )
  }
  if (state.mergedFromElsewhere) {
    return (
      <p role="status" className="border-base-content mx-4 mb-2 border-l-4 pl-3 text-sm">
        {t('clash.merged')}
      </p>
    )
  }
  return null
}
