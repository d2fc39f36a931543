import type { UseMutationResult } from '@tanstack/react-query'
import { Printer } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import { isClash } from '../../core/RequestFailed'
import { ClashChoice } from '../../shared/ClashChoice'
import { FrameState } from '../../shared/FrameState'
import { Failure } from '../../shared/Message'
import type { NameOf } from '../../shared/words'
import type { PasteDraft } from './usePastePlan'

/** Keeps a paste plan, or lets it be as it was; says so when somebody else has changed it meanwhile. */
export function SaveRow<P>({
  draft,
  isChanged,
  isKept,
  save,
  theirs,
  nameOf,
  onDrop,
}: {
  draft: PasteDraft<P>
  isChanged: boolean
  /** Whether there is one on the server at all. */
  isKept: boolean
  save: UseMutationResult<{ version: number }, Error, PasteDraft<P>>
  /** Reads what is on the server now. */
  theirs: () => Promise<PasteDraft<P>>
  nameOf: NameOf
  onDrop: (saved?: PasteDraft<P>) => void
}) {
  const { t } = useTranslation()
  const clashes = isClash(save.error)
  return (
    <div className="print:hidden">
      <FrameState>
        <span role="status" className={isChanged || !isKept ? 'font-semibold' : 'quiet'}>
          {t(isChanged ? 'pastePlan.notSaved' : isKept ? 'save.saved' : 'pastePlan.beginning')}
        </span>
      </FrameState>
      <div className="flex flex-wrap items-center gap-2">
        <button className="btn btn-primary btn-sm" disabled={save.isPending} onClick={() => save.mutate(draft)}>
          {t('pastePlan.save')}
        </button>
        {isChanged && (
          <button
            className="btn btn-sm"
            onClick={() => {
              save.reset()
              onDrop()
            }}
          >
            {t('pastePlan.discard')}
          </button>
        )}
        <button className="btn btn-sm ml-auto" onClick={() => window.print()}>
          <Printer size={16} aria-hidden />
          {t('runSheet.print')}
        </button>
      </div>
      {clashes ? (
        <ClashChoice
          onTheirs={() =>
            void theirs().then((saved) => {
              save.reset()
              onDrop(saved)
            })
          }
          onMine={() => void theirs().then((saved) => save.mutate({ ...draft, version: saved.version }))}
        />
      ) : (
        <Failure error={save.error} nameOf={nameOf} />
      )}
    </div>
  )
}
