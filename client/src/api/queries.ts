import type { QueryKey } from '@tanstack/react-query'
import { queryOptions } from '@tanstack/react-query'
import type { BenchAnswer, Exercise, LightKind, LookRequest, PictureShows, PredictedOf } from './api'
import { answer, api } from './api'
import { RequestFailed } from '../core/RequestFailed'
import { held } from './held'

const addresses = { bench: '/api/bench', me: '/api/me', studio: '/api/studio' } as const

/** Key and fetch of everything that is read, in one place. */
/** What is asked of the logbook. */
export interface LogQuestion {
  words?: string
  materialId?: string
  flower?: string
  since?: string
  until?: string
  offBy?: number
  near?: string
}

export const queries = {
  me: () =>
    queryOptions({
      queryKey: ['me'],
      queryFn: (asked) =>
        held.orHeld(addresses.me, () => answer(api.GET(addresses.me, { signal: asked.signal })), asked),
      staleTime: 60_000,
      // What is shown hangs on it: asked again until the server is back.
      retry: (_, error) => error instanceof RequestFailed && error.isPassing && error.code !== 'signedOut',
      retryDelay: 3_000,
    }),
  door: () =>
    queryOptions({
      queryKey: ['door'],
      queryFn: ({ signal }) => answer(api.GET('/api/door', { signal })),
    }),
  code: (token: string) =>
    queryOptions({
      queryKey: ['code-of', token],
      queryFn: ({ signal }) => answer(api.GET('/api/door/codes/{token}', { params: { path: { token } }, signal })),
      retry: false,
    }),
  people: () =>
    queryOptions({
      queryKey: ['people'],
      queryFn: ({ signal }) => answer(api.GET('/api/people', { signal })),
    }),
  backups: () =>
    queryOptions({
      queryKey: ['backups'],
      queryFn: ({ signal }) => answer(api.GET('/api/backups', { signal })),
    }),
  guest: (token: string, light: LightKind) =>
    queryOptions({
      queryKey: ['guest', token, light],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/guest/{token}', { params: { path: { token }, query: { light } }, signal })),
      retry: false,
    }),
  guestAddress: (id: string) =>
    queryOptions({
      queryKey: ['guest-address', id],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/commissions/{id}/guest-address', { params: { path: { id } }, signal })),
    }),
  commissions: () =>
    queryOptions({
      queryKey: ['commissions'],
      queryFn: ({ signal }) => answer(api.GET('/api/commissions', { signal })),
    }),
  /** Follows the commissions, as its key says. */
  lastBegin: (id: string) =>
    queryOptions({
      queryKey: ['commissions', id, 'last-begin'],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/commissions/{id}/last-begin', { params: { path: { id } }, signal })),
    }),
  flower: (id: string) =>
    queryOptions({
      queryKey: ['flower', id],
      queryFn: ({ signal }) => answer(api.GET('/api/flowers/{id}', { params: { path: { id } }, signal })),
    }),
  flowerLibrary: () =>
    queryOptions({
      queryKey: ['flower-library'],
      queryFn: ({ signal }) => answer(api.GET('/api/flower-library', { signal })),
      staleTime: Infinity,
    }),
  bloom: (id: string, light: LightKind) =>
    queryOptions({
      queryKey: ['bloom', id, light],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/flowers/{id}/bloom', { params: { path: { id }, query: { light } }, signal })),
    }),
  spray: (id: string, light: LightKind) =>
    queryOptions({
      queryKey: ['spray', id, light],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/commissions/{id}/spray', { params: { path: { id }, query: { light } }, signal })),
    }),
  dustDay: (id: string) =>
    queryOptions({
      queryKey: ['dust-day', id],
      queryFn: ({ signal }) => answer(api.GET('/api/commissions/{id}/dust-day', { params: { path: { id } }, signal })),
    }),
  assembly: (id: string) =>
    queryOptions({
      queryKey: ['assembly', id],
      queryFn: ({ signal }) => answer(api.GET('/api/flowers/{id}/assembly', { params: { path: { id } }, signal })),
    }),
  sprayPlan: (id: string) =>
    queryOptions({
      queryKey: ['spray-plan', id],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/commissions/{id}/spray-plan', { params: { path: { id } }, signal })),
    }),
  /** How a piece stands in its flower, for its coats. */
  standing: (pieceId: string) =>
    queryOptions({
      queryKey: ['flower', 'standing', pieceId],
      queryFn: async ({ signal }) => {
        const { stages, dusting } = await answer(
          api.GET('/api/pieces/{id}', { params: { path: { id: pieceId } }, signal }),
        )
        return { stages, dusting }
      },
    }),
  readyBatches: (pieceId: string) =>
    queryOptions({
      queryKey: ['ready-batches', pieceId],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/pieces/{id}/ready-batches', { params: { path: { id: pieceId } }, signal })),
    }),
  /** Follows the cabinet, as its key says. */
  coatBeginnings: () =>
    queryOptions({
      queryKey: ['materials', 'coat-beginnings'],
      queryFn: ({ signal }) => answer(api.GET('/api/coat-beginnings', { signal })),
      staleTime: 60_000,
    }),
  materials: () =>
    queryOptions({
      queryKey: ['materials'],
      queryFn: ({ signal }) => answer(api.GET('/api/materials', { signal })),
      staleTime: 60_000,
    }),
  material: (id: string) =>
    queryOptions({
      queryKey: ['material', id],
      queryFn: ({ signal }) => answer(api.GET('/api/materials/{id}', { params: { path: { id } }, signal })),
    }),
  needs: (pieceId?: string) =>
    queryOptions({
      queryKey: pieceId ? ['needs', pieceId] : ['needs'],
      queryFn: ({ signal }) => answer(api.GET('/api/materials/needs', { params: { query: { pieceId } }, signal })),
    }),
  duplicates: () =>
    queryOptions({
      queryKey: ['duplicates'],
      queryFn: ({ signal }) => answer(api.GET('/api/materials/duplicates', { signal })),
    }),
  startingPoints: () =>
    queryOptions({
      queryKey: ['starting-points'],
      queryFn: ({ signal }) => answer(api.GET('/api/starting-points', { signal })),
      staleTime: Infinity,
    }),
  pictures: (flowerId: string, shows: PictureShows) =>
    queryOptions({
      queryKey: ['pictures', flowerId, shows],
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/flowers/{flowerId}/pictures', { params: { path: { flowerId }, query: { shows } }, signal }),
        ),
    }),
  flowerCohesion: (id: string) =>
    queryOptions({
      queryKey: ['cohesion', id],
      queryFn: ({ signal }) => answer(api.GET('/api/flowers/{id}/cohesion', { params: { path: { id } }, signal })),
    }),
  commissionCohesion: (id: string) =>
    queryOptions({
      queryKey: ['cohesion', id],
      queryFn: ({ signal }) => answer(api.GET('/api/commissions/{id}/cohesion', { params: { path: { id } }, signal })),
    }),
  replacedStudio: () =>
    queryOptions({
      queryKey: ['replaced-studio'],
      queryFn: ({ signal }) => answer(api.GET('/api/files/studio/replaced', { signal })),
    }),
  mixingTable: () =>
    queryOptions({
      queryKey: ['mixing-table'],
      queryFn: ({ signal }) => answer(api.GET('/api/mixing-table', { signal })),
    }),
  /** What follows from a recipe on the table. */
  look: (body: LookRequest) =>
    queryOptions({
      queryKey: ['look', body],
      queryFn: ({ signal }) => answer(api.POST('/api/recipes/look', { body, signal })),
      staleTime: 60_000,
      gcTime: 60_000,
      retry: (count, error) => count < 2 && error instanceof RequestFailed && error.isPassing,
    }),
  doseLadder: (id: string, baseId: string) =>
    queryOptions({
      queryKey: ['dose-ladder', id, baseId],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/materials/{id}/dose-ladder', { params: { path: { id }, query: { baseId } }, signal })),
      staleTime: 60_000,
    }),
  ombre: (id: string) =>
    queryOptions({
      queryKey: ['ombre', id],
      queryFn: ({ signal }) => answer(api.GET('/api/flowers/{id}/ombre', { params: { path: { id } }, signal })),
    }),
  marble: (id: string) =>
    queryOptions({
      queryKey: ['marble', id],
      queryFn: ({ signal }) => answer(api.GET('/api/flowers/{id}/marble', { params: { path: { id } }, signal })),
    }),
  /** @param commissionId Those to plan; all if none is named. */
  pasteDay: (commissionId: string[]) =>
    queryOptions({
      queryKey: ['paste-day', ...commissionId],
      queryFn: ({ signal }) => answer(api.GET('/api/paste-day', { params: { query: { commissionId } }, signal })),
    }),
  bench: () =>
    queryOptions({
      queryKey: ['bench'],
      queryFn: ({ signal }) =>
        held.reading(addresses.bench, () => answer(api.GET(addresses.bench, { signal })), signal),
    }),
  /** The day as it was when there was a connection: there at once. */
  heldBench: () =>
    queryOptions({
      queryKey: ['bench-held'],
      queryFn: async () => (await held.find<BenchAnswer>(addresses.bench)) ?? null,
      staleTime: Infinity,
    }),
  calendarAddress: () =>
    queryOptions({
      queryKey: ['calendar-address'],
      queryFn: ({ signal }) => answer(api.GET('/api/plan/calendar-address', { signal })),
    }),
  plan: () =>
    queryOptions({
      queryKey: ['plan'],
      queryFn: ({ signal }) => answer(api.GET('/api/plan', { signal })),
    }),
  studio: () =>
    queryOptions({
      queryKey: ['studio'],
      queryFn: (asked) =>
        held.orHeld(addresses.studio, () => answer(api.GET(addresses.studio, { signal: asked.signal })), asked),
      staleTime: Infinity,
    }),
  bin: () =>
    queryOptions({
      queryKey: ['bin'],
      queryFn: ({ signal }) => answer(api.GET('/api/bin', { signal })),
    }),
  batches: () =>
    queryOptions({
      queryKey: ['batches'],
      queryFn: ({ signal }) => answer(api.GET('/api/batches', { signal })),
    }),
  /** @param of Of what: a kind of piece, a flower, or a commission. */
  runSheet: (of: 'pieces' | 'flowers' | 'commissions', id: string) =>
    queryOptions({
      queryKey: ['run-sheet', of, id],
      queryFn: ({ signal }) => answer(api.GET(`/api/${of}/{id}/run-sheet`, { params: { path: { id } }, signal })),
    }),
  logEntries: (pieceId?: string, asked: LogQuestion = {}) =>
    queryOptions({
      queryKey: ['log-entries', pieceId ?? 'all', asked],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/log-entries', { params: { query: { pieceId, ...asked } }, signal })),
    }),
  logPrediction: (done: PredictedOf) =>
    queryOptions({
      queryKey: ['log-prediction', done],
      queryFn: ({ signal }) => answer(api.POST('/api/log-entries/prediction', { body: done, signal })),
    }),
  practice: () =>
    queryOptions({ queryKey: ['practice'], queryFn: ({ signal }) => answer(api.GET('/api/practice', { signal })) }),
  /** @param number Another one for each: a question is not asked twice. */
  practiceQuestion: (exercise: Exercise, number: number) =>
    queryOptions({
      queryKey: ['practice-question', exercise, number],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/practice/{exercise}/question', { params: { path: { exercise } }, signal })),
      staleTime: Infinity,
      gcTime: 0,
      refetchOnWindowFocus: false,
    }),
  logNext: () =>
    queryOptions({ queryKey: ['log-next'], queryFn: ({ signal }) => answer(api.GET('/api/log-next', { signal })) }),
  hand: () => queryOptions({ queryKey: ['hand'], queryFn: ({ signal }) => answer(api.GET('/api/hand', { signal })) }),
  dryTimes: () =>
    queryOptions({ queryKey: ['dry-times'], queryFn: ({ signal }) => answer(api.GET('/api/dry-times', { signal })) }),
  taught: (id: string) =>
    queryOptions({
      queryKey: ['taught', id],
      queryFn: ({ signal }) => answer(api.GET('/api/log-entries/{id}/taught', { params: { path: { id } }, signal })),
    }),
  jar: (id: string) =>
    queryOptions({
      queryKey: ['jar', id],
      queryFn: ({ signal }) => answer(api.GET('/api/materials/{id}/jar', { params: { path: { id } }, signal })),
    }),
}

/**
 * Reads what is on the server now without putting it on the page: for saving over it knowingly. A page that showed it meanwhile would
 * call somebody else's version saved while one's own is on its way.
 */
export const aside = <O extends { queryKey: QueryKey }>(options: O): O => ({
  ...options,
  queryKey: ['aside', ...options.queryKey],
  staleTime: 0,
  gcTime: 0,
})
