import { queryOptions } from '@tanstack/react-query'
import { answer, api } from './api'

/** Key and fetch of everything that is read, in one place. */
export const queries = {
  commissions: () =>
    queryOptions({
      queryKey: ['commissions'],
      queryFn: ({ signal }) => answer(api.GET('/api/commissions', { signal })),
    }),
  flower: (id: string) =>
    queryOptions({
      queryKey: ['flower', id],
      queryFn: ({ signal }) => answer(api.GET('/api/flowers/{id}', { params: { path: { id } }, signal })),
    }),
  materials: () =>
    queryOptions({
      queryKey: ['materials'],
      queryFn: ({ signal }) => answer(api.GET('/api/materials', { signal })),
      staleTime: 60_000,
    }),
  runSheet: (pieceId: string) =>
    queryOptions({
      queryKey: ['run-sheet', pieceId],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/pieces/{id}/run-sheet', { params: { path: { id: pieceId } }, signal })),
    }),
  logEntries: (pieceId?: string) =>
    queryOptions({
      queryKey: ['log-entries', pieceId ?? 'all'],
      queryFn: ({ signal }) => answer(api.GET('/api/log-entries', { params: { query: { pieceId } }, signal })),
    }),
}
