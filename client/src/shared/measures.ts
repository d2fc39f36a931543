import type { i18n } from 'i18next'

/**
 * How a studio measures goes with the language, as it does in the Unicode locale identifier: "en-u-ms-ussystem-x-d2" is English with
 * ounces and inches, and two decimals on the scale. So every text follows when the studio changes how it measures.
 */
const imperialTag = '-u-ms-ussystem'
const decimalsTag = '-x-d'
const usualDecimals = 1

const gramsPerOunce = 28.349523125
const mmPerInch = 25.4
const mlPerFluidOunce = 29.5735295625
const ballPartsOfInch = 32

const isImperial = (language = '') => language.includes(imperialTag)

const decimalsOf = (language = '') => {
  const at = language.indexOf(decimalsTag)
  return at < 0 ? usualDecimals : Number(language.slice(at + decimalsTag.length))
}

export function measureIn(language: i18n, imperial: boolean, scaleDecimals: number) {
  const plain = language.language.split(decimalsTag)[0]!.replace(imperialTag, '')
  const tag = `${plain}${imperial ? imperialTag : ''}${decimalsTag}${scaleDecimals}`
  if (tag !== language.language) void language.changeLanguage(tag)
}

/** Teaches the texts their formats: {{x, mass}}, {{x, onScale}}, {{x, mm}}, {{x, ball}}, {{x, ml}}. */
export function teachMeasures(language: i18n) {
  const formats = { mass, onScale, mm, ball, ml }
  for (const [name, format] of Object.entries(formats)) {
    language.services.formatter?.add(name, (value: unknown, as = '') =>
      (format as (value: unknown, as: string) => string)(value, as),
    )
  }
}

const figures = (value: number, language: string, options: Intl.NumberFormatOptions) =>
  value.toLocaleString(language, { useGrouping: false, ...options })

/** A mass as a bench scale shows it: more figures the less there is. */
function mass(grams: number, language: string): string {
  if (isImperial(language)) {
    const ounces = grams / gramsPerOunce
    return `${figures(ounces, language, ounces >= 0.1 ? { maximumFractionDigits: ounces >= 10 ? 1 : 2 } : { maximumSignificantDigits: 2 })} oz`
  }
  if (grams >= 20) return `${figures(grams, language, { maximumFractionDigits: 0 })} g`
  if (grams >= 2) return `${figures(grams, language, { minimumFractionDigits: 1, maximumFractionDigits: 1 })} g`
  if (grams >= 0.1) return `${figures(grams, language, { minimumFractionDigits: 2, maximumFractionDigits: 2 })} g`
  return `${figures(grams, language, { maximumSignificantDigits: 2 })} g`
}

/** A mass as it is weighed out: to the step of the studio's scale, never rounded to whole grams. */
function onScale(grams: number, language: string): string {
  return isImperial(language)
    ? `${figures(grams / gramsPerOunce, language, { maximumFractionDigits: 3 })} oz`
    : `${figures(grams, language, { maximumFractionDigits: Math.max(decimalsOf(language), usualDecimals) })} g`
}

function mm(value: number, language: string): string {
  return isImperial(language)
    ? `${figures(value / mmPerInch, language, { maximumSignificantDigits: 2 })} in`
    : `${figures(value, language, { maximumSignificantDigits: 3 })} mm`
}

/** The diameter of a ball of paste, as it is held against a ruler; the server has rounded it up by either ruler. */
function ball({ mm, inchParts }: { mm: number; inchParts: number }, language: string): string {
  if (!isImperial(language)) return `${figures(mm, language, { maximumFractionDigits: 1 })} mm`
  let [parts, of] = [inchParts, ballPartsOfInch]
  while (parts % 2 === 0 && of > 1) [parts, of] = [parts / 2, of / 2]
  const whole = Math.floor(parts / of)
  const rest = parts % of
  return `${[whole > 0 && whole, rest > 0 && `${rest}/${of}`].filter(Boolean).join(' ')} in`
}

function ml(value: number, language: string): string {
  const shown = isImperial(language) ? value / mlPerFluidOunce : value
  return `${figures(shown, language, shown >= 10 ? { maximumFractionDigits: 0 } : { maximumSignificantDigits: 2 })} ${isImperial(language) ? 'fl oz' : 'ml'}`
}
