import type { TFunction } from './translation'

/** "45 min", "3 h 20 min": to five minutes once it is long. */
export function minutesWords(t: TFunction, minutes: number): string {
  if (minutes < 60) return t('time.minutes', { minutes: Math.max(1, Math.round(minutes)) })
  const rounded = 5 * Math.round(minutes / 5)
  if (rounded % 60 === 0) return t('time.wholeHours', { hours: rounded / 60 })
  return t('time.hours', { hours: Math.floor(rounded / 60), minutes: rounded % 60 })
}
