import { useMemo } from 'react'
import { find } from './catalogue'
import { language, useLanguage } from './language'
import * as measures from './measures'
import { figures } from './numbers'

/** What stands in the holes of a text; `count` also chooses between one and many. */
export type Values = Record<string, unknown> & {
  count?: number
  /** Said where the key has no text. */
  defaultValue?: string
}

/** The text of a key, in the language that is shown. */
export type TFunction = (key: string, values?: Values) => string

/** The forms of a counted text are its key with an ending: `_zero` where there is one, else the plural category of the language. */
function counted(key: string, count: number): string | undefined {
  const none = count === 0 ? find(`${key}_zero`) : undefined
  return none ?? find(`${key}_${new Intl.PluralRules(language().tag).select(count)}`) ?? find(`${key}_other`)
}

/** Measures that a text can ask for: {{value, mass}}. */
const formats = measures as unknown as Record<string, (value: unknown) => string>

const holes = /\{\{\s*(\w+)\s*(?:,\s*(\w+)\s*)?\}\}/g

export const t: TFunction = (key, values = {}) => {
  const text = (values.count === undefined ? undefined : counted(key, values.count)) ?? find(key)
  // A key without a text is our mistake: a test finds it, and a maker sees at least what was meant.
  if (text === undefined) return values.defaultValue ?? key
  return text.replace(holes, (_, name: string, format?: string) => {
    const value = values[name]
    if (format) return formats[format]!(value)
    return typeof value === 'number' ? figures(value) : String(value ?? '')
  })
}

/** The texts, and drawn anew when the studio measures otherwise. */
export function useTranslation(): { t: TFunction; language: string } {
  const current = useLanguage()
  // A new function each time, so that what is kept by it is made anew too.
  return useMemo(() => ({ t: (key, values) => t(key, values), language: current.tag }), [current])
}
