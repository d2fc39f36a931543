import type { TFunction } from './translation'

/** From here on nobody counts in hours. */
const daysFromMinutes = 48 * 60

/** "45 min", "3 h 20 min", "7 days 5 h": to five minutes once it is long, to an hour once it is very long. */
export function minutesWords(t: TFunction, minutes: number): string {
  if (minutes >= daysFromMinutes) {
    const hours = Math.round(minutes / 60)
    return t(hours % 24 === 0 ? 'time.wholeDays' : 'time.days', { count: Math.floor(hours / 24), hours: hours % 24 })
  }
  if (minutes < 60) return t('time.minutes', { minutes: Math.max(1, Math.round(minutes)) })
  const rounded = 5 * Math.round(minutes / 5)
  if (rounded % 60 === 0) return t('time.wholeHours', { hours: rounded / 60 })
  return t('time.hours', { hours: Math.floor(rounded / 60), minutes: rounded % 60 })
}
