import { useTranslation } from 'react-i18next'
import type { ColourView } from '../api/api'
import { colourName } from './words'

/** A dab of colour with its spoken name. Give it neutral surroundings. */
export function Swatch({
  colour,
  label,
  className = 'size-10',
}: {
  colour: ColourView
  /** What it is the colour of; its own plain name is added. */
  label?: string
  className?: string
}) {
  const { t } = useTranslation()
  const name = colourName(t, colour)
  return (
    <span
      role="img"
      aria-label={label ? `${label}: ${name}` : name}
      title={`${name}, ${colour.hex}`}
      className={`inline-block shrink-0 ${className}`}
      style={{ backgroundColor: colour.hex }}
    />
  )
}
