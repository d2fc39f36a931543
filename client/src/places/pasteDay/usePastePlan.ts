import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useDeferredValue } from 'react'
import { RequestFailed } from '../../core/RequestFailed'
import { hasFields } from '../../core/Kept'
import { useKept } from '../../shared/useKept'

/** A plan as it stands on the page, and the version that it was made from. */
export interface PasteDraft<P> {
  plan: P
  version: number
}

/** A draft of a plan that outlives a reload. @param kind Names it among what this browser keeps. */
export function usePasteDraft<P extends object>(kind: string, flowerId: string, saved: PasteDraft<P>) {
  const isDraft = (value: unknown): value is PasteDraft<P> => hasFields(value, 'plan', 'version')
  const draft = useKept<PasteDraft<P>>(`${kind}/${flowerId}`, saved, isDraft)
  const change = (part: Partial<P>) => draft.set((was) => ({ ...was, plan: { ...was.plan, ...part } }))
  return { ...draft, plan: draft.value.plan, change }
}

/** What follows from a plan, a little behind the hand; the last good answer stays while a new one is on its way. */
export function usePlanLook<P, A>(
  key: string,
  flowerId: string,
  plan: P,
  ask: (plan: P, signal: AbortSignal) => Promise<A>,
) {
  const asked = useDeferredValue(plan)
  return useQuery({
    queryKey: [key, flowerId, asked],
    queryFn: ({ signal }) => ask(asked, signal),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
    retry: (count, error) => count < 2 && error instanceof RequestFailed && error.isPassing,
  })
}
