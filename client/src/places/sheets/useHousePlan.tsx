import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Failure } from '../../shared/Message'
import { useTranslation } from '../../shared/translation'
import { useProblems } from '../../shared/useProblems'
import { SaveRow } from '../pasteDay/SaveRow'
import type { PasteDraft } from '../pasteDay/usePastePlan'
import { usePasteDraft } from '../pasteDay/usePastePlan'

/** A plan that the house proposes, as it is kept. */
interface KeptPlan<P> {
  plan: P
  /** The maker changed it. */
  isOwn: boolean
  version: number
}

/**
 * A plan that the house proposes and its maker changes: a draft that outlives a reload, kept over the version it was made from, or given
 * back to the house.
 * @param kind Names it among what this browser keeps.
 */
export function useHousePlan<P extends object>(
  kind: string,
  id: string,
  kept: KeptPlan<P>,
  calls: {
    read: () => Promise<KeptPlan<P>>
    save: (draft: PasteDraft<P>) => Promise<{ version: number }>
    asTheHouse: (version: number) => Promise<unknown>
  },
) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const draft = usePasteDraft<P>(kind, id, { plan: kept.plan, version: kept.version })
  // Every sheet but the cabinet may follow from it.
  const readAgain = () => client.invalidateQueries({ predicate: ({ queryKey }) => String(queryKey[0]) !== 'materials' })
  const now = async () => {
    const { plan, version } = await calls.read()
    return { plan, version }
  }
  const save = useMutation({
    mutationFn: calls.save,
    onSuccess: async ({ version }, sent) => {
      draft.drop({ plan: sent.plan, version })
      await readAgain()
    },
  })
  const asTheHouse = useMutation({
    mutationFn: () => calls.asTheHouse(kept.version),
    onSuccess: async () => {
      await readAgain()
      draft.drop(await now())
    },
  })
  const head = (
    <div className="mt-3">
      <SaveRow
        draft={draft.value}
        isChanged={draft.isChanged}
        isKept
        save={save}
        theirs={now}
        nameOf={(one) => one}
        onDrop={(saved) => draft.drop(saved ?? { plan: kept.plan, version: kept.version })}
      />
      {kept.isOwn && (
        <button className="btn btn-sm mt-2" disabled={asTheHouse.isPending} onClick={() => asTheHouse.mutate()}>
          {t('assembly.asTheHouse')}
        </button>
      )}
      <Failure error={asTheHouse.error} nameOf={(one) => one} />
    </div>
  )
  return {
    plan: draft.plan,
    change: draft.change,
    isChanged: draft.isChanged,
    problemAt: useProblems([save.error]),
    head,
  }
}
