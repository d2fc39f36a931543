import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { LogEntry, LogReading, LogStanding } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'

/** What can be done to an entry that stands: mended, taken back to what it was before that, or left out, taken out and put back. */
export type LogChange =
  { kind: 'mend'; reading: LogReading } | { kind: 'unmend' } | ({ kind: 'stand' } & Partial<LogStanding>)

/** Changes an entry of the logbook over the version that it has. */
export function useChange() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ entry, change }: { entry: LogEntry; change: LogChange }) => {
      const over = { params: { path: { id: entry.id } }, headers: madeFrom(entry.version) }
      switch (change.kind) {
        case 'mend':
          return answer(api.PUT('/api/log-entries/{id}/reading', { ...over, body: change.reading }))
        case 'unmend':
          return answer(api.POST('/api/log-entries/{id}/as-before', over))
        case 'stand': {
          const { isLeftOut = entry.isLeftOut, isTakenOut = false } = change
          return answer(api.PUT('/api/log-entries/{id}/standing', { ...over, body: { isLeftOut, isTakenOut } }))
        }
      }
    },
    // Every colour is predicted with what the logbook has taught.
    onSettled: () => client.invalidateQueries(),
  })
}
