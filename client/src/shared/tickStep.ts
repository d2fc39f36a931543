import { answer, api } from '../api/api'
import type { Wish } from './useTicks'

/** Ticks a step of a piece's run sheet, or takes the tick back. */
export function tickStep(pieceId: string, step: string, { ticked, fingerprint }: Wish) {
  const path = { id: pieceId, step }
  return ticked
    ? answer(api.PUT('/api/pieces/{id}/run-sheet/{step}/tick', { params: { path }, body: { fingerprint } }))
    : answer(api.DELETE('/api/pieces/{id}/run-sheet/{step}/tick', { params: { path } }))
}

/** Read again after a tick: a paste, a pot or a glaze that is made comes out of the cabinet. */
export const cabinetHangsOnTicks = ['materials', 'needs', 'paste-day']
