import { useQuery } from '@tanstack/react-query'
import type { CoatBeginnings, Coat, Place, PlaceKind } from '../../api/api'
import { queries } from '../../api/queries'
import { newId } from '../../shared/newId'

/** How coats and their places begin. The page of a flower shows none of them before it has been read. */
export const useBeginnings = (): CoatBeginnings => useQuery(queries.coatBeginnings()).data!

/** A new coat of what was taken from the tray: of a material by its id, or steam. */
export const coatFrom = (beginnings: CoatBeginnings, what: string): Coat => ({
  ...(what === 'steam' ? beginnings.steam : beginnings.coats[what]!),
  id: newId(),
})

/** Where a place of a kind begins; what a brush catches there, and which half, stays as it was. */
export function firstPlace(beginnings: CoatBeginnings, kind: PlaceKind): Place {
  const { start, end, feather } = beginnings.places.find((place) => place.kind === kind)!
  return { kind, start, end, feather }
}
