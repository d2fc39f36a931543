import { answer, api } from '../api/api'

/** Ticks operations, or takes the ticks back: all in one go. @param fingerprints By id. */
export function tickOperations(fingerprints: Record<string, string>, isDone: boolean) {
  const operations = Object.entries(fingerprints).map(([id, fingerprint]) => ({ id, fingerprint }))
  return answer(api.PUT('/api/ticks', { body: { operations, isDone } }))
}

/** Every sheet is a view of the same work, and what is made comes out of the cabinet: after a tick they are read again. */
export const hangsOnTicks = [
  'materials',
  'needs',
  'paste-day',
  'dust-day',
  'run-sheet',
  'bench',
  'flower',
  'commissions',
  'batches',
  'mixing-table',
]
