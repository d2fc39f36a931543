import type { Operation, PlannedPart } from '../../api/api'
import { clock } from '../../shared/clockTime'
import { moment } from '../../shared/numbers'

/** A part of the work with what it is. */
export interface TimedPart {
  part: PlannedPart
  operation: Operation
}

/** "Tuesday, 1 December" */
export const longDay = (at: string, timeZone: string) =>
  moment(at, { weekday: 'long', day: 'numeric', month: 'long', timeZone })

/** Of the calendar, to sort and compare: "2026-12-01". */
export function dayOf(at: string, timeZone: string): string {
  const parts = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' })
  return parts.format(new Date(at))
}

/** Minutes since midnight, by the clock of the studio. */
export function minuteOf(at: string, timeZone: string): number {
  const text = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
  const [hours = 0, minutes = 0] = text.format(new Date(at)).split(':').map(Number)
  return 60 * hours + minutes
}

/** The day after: "2026-12-02". */
export function nextDay(day: string): string {
  const next = new Date(`${day}T12:00:00Z`)
  next.setUTCDate(next.getUTCDate() + 1)
  return next.toISOString().slice(0, 10)
}

/** The Monday of its week. @param day "2026-12-02" */
export function mondayOf(day: string): string {
  const date = new Date(`${day}T12:00:00Z`)
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7))
  return date.toISOString().slice(0, 10)
}

/** Every day from the first to the last part. */
export function daysOf(parts: PlannedPart[], timeZone: string): string[] {
  if (parts.length === 0) return []
  const last = parts
    .map((part) => dayOf(part.to, timeZone))
    .sort()
    .at(-1)!
  const days = [dayOf(parts[0]!.from, timeZone)]
  while (days.at(-1)! < last) days.push(nextDay(days.at(-1)!))
  return days
}

/** A moment by the clock of the studio, in ISO. @param day "2026-12-01" @param time "09:30" */
export function momentAt(day: string, time: string, timeZone: string): string {
  const wanted = Date.parse(`${day}T${time}:00Z`)
  // The clock there shows something else for it; by so much it is put right, twice for a night in which clocks change.
  let at = wanted
  for (let tries = 0; tries < 2; tries++) {
    const then = new Date(at).toISOString()
    at += wanted - Date.parse(`${dayOf(then, timeZone)}T${clock(then, timeZone)}:00Z`)
  }
  return new Date(at).toISOString()
}
