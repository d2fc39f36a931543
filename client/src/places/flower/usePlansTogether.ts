import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { PieceChange, Plan } from '../../api/api'
import { answer, api } from '../../api/api'

interface PlanOfPiece {
  pieceId: string
  madeFrom: number
  plan: Plan
}

/** Keeps the plans of several pieces at once, all or none, and can put back what was there before. */
export function usePlansTogether(commissionId: string) {
  const client = useQueryClient()
  const write = (plans: PlanOfPiece[]) =>
    answer(api.POST('/api/commissions/{id}/plans', { params: { path: { id: commissionId } }, body: { plans } }))
  const save = useMutation({
    mutationFn: async (changes: PieceChange[]) => {
      const before = await Promise.all(
        changes.map(({ pieceId }) => answer(api.GET('/api/pieces/{id}', { params: { path: { id: pieceId } } }))),
      )
      const { versions } = await write(changes.map(({ pieceId, madeFrom, plan }) => ({ pieceId, madeFrom, plan })))
      return before.map(({ piece, plan }) => ({ pieceId: piece.id, madeFrom: versions[piece.id]!, plan }))
    },
    onSuccess: () => client.invalidateQueries(),
  })
  const putBack = useMutation({
    mutationFn: write,
    onSuccess: async () => {
      save.reset()
      await client.invalidateQueries()
    },
  })
  return { save, putBack }
}

export type PlansTogether = ReturnType<typeof usePlansTogether>
