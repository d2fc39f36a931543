import type { TFunction } from './translation'
import { moment } from './numbers'

/** "09:30", by the clock of the studio. */
export const clock = (at: string, timeZone: string) =>
  moment(at, { hour: '2-digit', minute: '2-digit', timeZone, hourCycle: 'h23' })

/** "Tue 1 Dec" */
export const shortDay = (at: string, timeZone: string) =>
  moment(at, { weekday: 'short', day: 'numeric', month: 'short', timeZone })

/** "Tue 1 Dec, 09:30" */
export const dayAndTime = (t: TFunction, at: string, timeZone: string) =>
  t('clock.dayAndTime', { day: shortDay(at, timeZone), time: clock(at, timeZone) })
