import type { i18n } from 'i18next'

/**
 * Measures go with the language, as they do in the Unicode locale identifier: "en-u-ms-ussystem" is English with ounces and inches.
 * So every text follows when the studio changes how it measures.
 */
const imperialTag = '-u-ms-ussystem'

const gramsPerOunce = 28.349523125
const mmPerInch = 25.4
const mlPerFluidOunce = 29.5735295625

const isImperial = (language = '') => language.endsWith(imperialTag)

export function measureIn(language: i18n, imperial: boolean) {
  if (isImperial(language.language) === imperial) return
  const plain = language.language.replace(imperialTag, '')
  void language.changeLanguage(imperial ? plain + imperialTag : plain)
}

/** Teaches the texts their formats: {{x, mass}}, {{x, onScale}}, {{x, mm}}, {{x, ball}}, {{x, ml}}. */
export function teachMeasures(language: i18n) {
  const formats = { mass, onScale, mm, ball, ml }
  for (const [name, format] of Object.entries(formats)) {
    language.services.formatter?.add(name, (value: number, as) => format(value, isImperial(as)))
  }
}

/** A mass as a bench scale shows it: more figures the less there is. */
function mass(grams: number, imperial: boolean): string {
  if (imperial) {
    const ounces = grams / gramsPerOunce
    return `${ounces >= 10 ? ounces.toFixed(1) : ounces >= 0.1 ? ounces.toFixed(2) : Number(ounces.toPrecision(2))} oz`
  }
  if (grams >= 20) return `${Math.round(grams)} g`
  if (grams >= 2) return `${grams.toFixed(1)} g`
  if (grams >= 0.1) return `${grams.toFixed(2)} g`
  return `${Number(grams.toPrecision(2))} g`
}

/** A mass as it is weighed out: never rounded to whole grams. */
function onScale(grams: number, imperial: boolean): string {
  return imperial ? `${Number((grams / gramsPerOunce).toFixed(3))} oz` : `${Number(grams.toFixed(1))} g`
}

function mm(value: number, imperial: boolean): string {
  return imperial ? `${Number((value / mmPerInch).toPrecision(2))} in` : `${Number(value.toPrecision(3))} mm`
}

/** The diameter of a ball of paste, as it is held against a ruler. */
function ball(value: number, imperial: boolean): string {
  if (!imperial) return `${value.toFixed(0)} mm`
  let sixteenths = Math.max(1, Math.round((value / mmPerInch) * 16))
  let parts = 16
  while (sixteenths % 2 === 0 && parts > 1) {
    sixteenths /= 2
    parts /= 2
  }
  const whole = Math.floor(sixteenths / parts)
  const rest = sixteenths % parts
  return `${[whole > 0 && whole, rest > 0 && `${rest}/${parts}`].filter(Boolean).join(' ')} in`
}

function ml(value: number, imperial: boolean): string {
  const shown = imperial ? value / mlPerFluidOunce : value
  return `${shown >= 10 ? shown.toFixed(0) : Number(shown.toPrecision(2))} ${imperial ? 'fl oz' : 'ml'}`
}
