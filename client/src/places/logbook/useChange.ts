import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { Lab, LightKind, LogEntry, MeasuredPaste, ReadBy } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'

/** What is changed of an entry; all else stays as it is. */
export interface Changed {
  actual?: Lab
  by?: ReadBy
  light?: LightKind
  restedHours?: number | null
  /** Null for as it is. */
  wentIn?: MeasuredPaste | null
  note?: string
  isLeftOut?: boolean
  isTakenOut?: boolean
}

/** Mends an entry of the logbook, leaves it out, takes it out or puts it back. */
export function useChange() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ entry, part }: { entry: LogEntry; part: Changed }) =>
      answer(
        api.PUT('/api/log-entries/{id}/reading', {
          params: { path: { id: entry.id } },
          headers: madeFrom(entry.version),
          body: {
            actual: entry.actual.lab,
            note: entry.note,
            by: entry.by,
            light: entry.light,
            restedHours: entry.restedHours ?? null,
            wentIn: null,
            isLeftOut: entry.isLeftOut,
            isTakenOut: false,
            ...part,
          },
        }),
      ),
    // Every colour is predicted with what the logbook has taught.
    onSettled: () => client.invalidateQueries(),
  })
}
