import { language } from './language'

// Making a format takes longer than writing a hundred numbers with it.
const formats = new Map<string, Intl.NumberFormat>()

function formatOf(options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const { tag } = language()
  const name = tag + JSON.stringify(options)
  const format = formats.get(name) ?? new Intl.NumberFormat(tag, options)
  formats.set(name, format)
  return format
}

/** A number as it is written here. Four figures stand together: so do years, and amounts at a bench. */
export const figures = (value: number, options: Intl.NumberFormatOptions = { maximumFractionDigits: 12 }): string =>
  formatOf({ useGrouping: 'min2', ...options }).format(value)

/** To so many places after the point, also where they are nought. */
export const fixed = (value: number, places: number): string =>
  figures(value, { minimumFractionDigits: places, maximumFractionDigits: places })

/** To so many places after the point at most. */
export const rounded = (value: number, places: number): string => figures(value, { maximumFractionDigits: places })

/** To so many figures that count, at most. */
export const significant = (value: number, count: number): string => figures(value, { maximumSignificantDigits: count })

/** A share of one in hundredths. */
export const percent = (share: number): string => rounded(100 * share, 0)

/** A day or a moment as people write it here. @param at A moment, or a date in ISO. */
export const moment = (at: Date | string, options: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(language().tag, options).format(new Date(at))

/** The order of two names in the language that is shown. */
export const inOrder = (one: string, other: string): number => one.localeCompare(other, language().tag)

/** "L 62 a 3 b -14": the letters are the field's own. */
export const labWords = (lab: { l: number; a: number; b: number }): string =>
  `L ${rounded(lab.l, 0)} a ${rounded(lab.a, 0)} b ${rounded(lab.b, 0)}`

/** The mark before a fraction. */
export const decimalMark = (): string =>
  new Intl.NumberFormat(language().tag).formatToParts(1.1).find((part) => part.type === 'decimal')?.value ?? '.'

/** A number as it is typed here, without marks between thousands: it is read again as the same. */
export function typedNumber(value: number): string {
  const size = Math.abs(value)
  const digits = size >= 1 || size === 0 ? { maximumFractionDigits: 3 } : { maximumSignificantDigits: 4 }
  return figures(value, { useGrouping: false, ...digits })
}

/** "4.2 MB" */
export const megabytes = (bytes: number): string =>
  figures(bytes / 1e6, { style: 'unit', unit: 'megabyte', maximumFractionDigits: 1 })
