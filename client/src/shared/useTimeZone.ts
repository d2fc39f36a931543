import { useQuery } from '@tanstack/react-query'
import { queries } from '../api/queries'

/** The time zone that whoever has signed in sees times in: her own, if she has chosen one. @param studio That of the studio. */
export const useTimeZone = (studio: string) => useQuery(queries.me()).data?.preferences.timeZone ?? studio
