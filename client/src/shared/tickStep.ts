import { answer, api } from '../api/api'

/** Ticks steps of a piece's run sheet, or takes the ticks back: all in one go. */
export function tickSteps(pieceId: string, fingerprints: Record<string, string>, isDone: boolean) {
  const steps = Object.entries(fingerprints).map(([key, fingerprint]) => ({ key, fingerprint }))
  return answer(
    api.PUT('/api/pieces/{id}/run-sheet/ticks', { params: { path: { id: pieceId } }, body: { steps, isDone } }),
  )
}

/** Read again after a tick: a paste, a pot or a glaze that is made comes out of the cabinet. */
export const cabinetHangsOnTicks = ['materials', 'needs', 'paste-day']
