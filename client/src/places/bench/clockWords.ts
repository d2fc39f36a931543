import type { TFunction } from '../../shared/translation'
import { minutesWords } from '../../shared/minutesWords'
import { clock, dayAndTime } from '../../shared/clockTime'
import { dayOf } from '../plan/planTimes'

/** "14:20", with its day if that is not today. @param at In ms. */
export function whenWords(t: TFunction, at: number, now: number, timeZone: string): string {
  const [then, today] = [new Date(at).toISOString(), new Date(now).toISOString()]
  return dayOf(then, timeZone) === dayOf(today, timeZone) ? clock(then, timeZone) : dayAndTime(t, then, timeZone)
}

/** "4:09" under an hour, "2 h 20 min" above. @param ms That are left. */
export function leftWords(t: TFunction, ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000))
  if (seconds >= 3600) return minutesWords(t, seconds / 60)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
