import { useState } from 'react'
import { readNumber } from '../../core/readNumber'
import { decimalMark, typedNumber } from '../../shared/numbers'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'

/** Numbers of a row; a comma parts them only where a space follows it. */
const numbersIn = (text: string) =>
  text
    .split(/[;\s]+|,\s+/)
    .map((part) => part.replace(/,$/, ''))
    .filter(Boolean)
    .map((part) => readNumber(part, decimalMark()))

/** The maker's own sizing holes, typed as a row of diameters. What cannot be read stays on the screen and is said. */
export function HolesField({
  holesMm,
  problem,
  onChange,
}: {
  holesMm: number[]
  problem?: string
  onChange: (holesMm: number[]) => void
}) {
  const { t } = useTranslation()
  const [typed, setTyped] = useState<string | null>(null)
  const isBad = typed !== null && numbersIn(typed).some((one) => one.kind !== 'number')
  return (
    <TextField
      label={t('measuring.holes')}
      value={typed ?? holesMm.map(typedNumber).join('; ')}
      problem={isBad ? t('problem.notANumber') : problem}
      className="w-full max-w-md"
      onChange={(text) => {
        setTyped(text)
        const numbers = numbersIn(text)
        if (numbers.every((one) => one.kind === 'number')) onChange(numbers.map((one) => one.value))
      }}
    />
  )
}
