import { withUnit } from './catalogue'
import { language } from './language'
import { fixed, rounded, significant } from './numbers'

const gramsPerOunce = 28.349523125
const mmPerInch = 25.4
const mlPerFluidOunce = 29.5735295625
const ballPartsOfInch = 32

/** A mass as a bench scale shows it: more figures the less there is. @param grams In g. */
export function mass(grams: number): string {
  if (language().isImperial) {
    const ounces = grams / gramsPerOunce
    return withUnit('oz', ounces >= 0.1 ? rounded(ounces, ounces >= 10 ? 1 : 2) : significant(ounces, 2))
  }
  const value =
    grams >= 20
      ? rounded(grams, 0)
      : grams >= 2
        ? fixed(grams, 1)
        : grams >= 0.1
          ? fixed(grams, 2)
          : significant(grams, 2)
  return withUnit('g', value)
}

/** A mass as it is weighed out: to the step of the studio's scale, never rounded to whole grams. @param grams In g. */
export function onScale(grams: number): string {
  const { isImperial, scaleDecimals } = language()
  return isImperial
    ? withUnit('oz', rounded(grams / gramsPerOunce, 3))
    : withUnit('g', rounded(grams, Math.max(scaleDecimals, 1)))
}

/** @param value In mm. */
export function mm(value: number): string {
  return language().isImperial
    ? withUnit('in', significant(value / mmPerInch, 2))
    : withUnit('mm', significant(value, 3))
}

/** The diameter of a ball of paste, as it is held against a ruler; the server has rounded it up by either ruler. */
export function ball({ mm, inchParts }: { mm: number; inchParts: number }): string {
  if (!language().isImperial) return withUnit('mm', rounded(mm, 1))
  let [parts, of] = [inchParts, ballPartsOfInch]
  while (parts % 2 === 0 && of > 1) [parts, of] = [parts / 2, of / 2]
  const whole = Math.floor(parts / of)
  const rest = parts % of
  return withUnit('in', [whole > 0 && whole, rest > 0 && `${rest}/${of}`].filter(Boolean).join(' '))
}

/** @param value In ml. */
export function ml(value: number): string {
  const { isImperial } = language()
  const shown = isImperial ? value / mlPerFluidOunce : value
  return withUnit(isImperial ? 'floz' : 'ml', shown >= 10 ? rounded(shown, 0) : significant(shown, 2))
}
