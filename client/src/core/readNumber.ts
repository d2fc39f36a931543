/** What a maker has typed where a number belongs. */
type ReadNumber =
  | { kind: 'number'; value: number }
  /** It means one thing here and another thing there: 1,200. */
  | { kind: 'ambiguous'; values: [number, number] }
  | { kind: 'unreadable' }

const unreadable: ReadNumber = { kind: 'unreadable' }

/**
 * Reads a number by the rules of a language: its mark before the fraction, spaces or the other mark between thousands. The other
 * mark before a fraction is understood too, but where it could part thousands as well it is asked, not guessed.
 * @param point The mark before the fraction: a point or a comma.
 */
export function readNumber(text: string, point: string): ReadNumber {
  const other = point === '.' ? ',' : '.'
  const typed = text.trim().replace(/^\+/, '')
  const sign = typed.startsWith('-') || typed.startsWith('\u2212') ? -1 : 1
  let plain = typed.replace(/^[-\u2212]/, '')
  // Spaces and apostrophes part thousands, and nothing else.
  if (/[\s'\u2019]/.test(plain)) {
    if (!/^\d{1,3}([\s'\u2019]\d{3})+([.,]\d*)?$/.test(plain)) return unreadable
    plain = plain.replace(/[\s'\u2019]/g, '')
  }
  if (!/^(\d|[.,]\d)[\d.,]*$/.test(plain)) return unreadable
  const number = (digits: string): ReadNumber => ({ kind: 'number', value: sign * Number(digits) })
  const points = plain.split(point).length - 1
  const others = plain.split(other).length - 1
  if (points + others === 0) return number(plain)
  if (points === 1 && others === 0) return number(plain.replace(point, '.'))
  if (points === 0 && others === 1) {
    const asFraction = Number(plain.replace(other, '.'))
    return /^[1-9]\d{0,2}.\d{3}$/.test(plain)
      ? { kind: 'ambiguous', values: [sign * Number(plain.replace(other, '')), sign * asFraction] }
      : { kind: 'number', value: sign * asFraction }
  }
  // Both, or one of them several times: the last one parts the fraction off, the other one thousands.
  const last = Math.max(plain.lastIndexOf(point), plain.lastIndexOf(other))
  const mark = plain[last]!
  const isRepeated = plain.indexOf(mark) !== last
  const whole = isRepeated ? plain : plain.slice(0, last)
  if (!/^\d{1,3}([.,]\d{3})+$/.test(whole) || new Set(whole.replace(/\d/g, '')).size > 1) return unreadable
  const fraction = isRepeated ? '' : plain.slice(last + 1)
  return number(`${whole.replace(/[.,]/g, '')}.${fraction}`)
}
