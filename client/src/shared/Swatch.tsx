import { useTranslation } from './translation'
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

/** A small dab within a line of text, on its own bit of the surround. */
export function InlineSwatch({ colour }: { colour: ColourView }) {
  return (
    <span className="surround inline-block p-1 align-middle print:p-0.5">
      <Swatch colour={colour} className="h-4 w-8 align-middle print:h-2 print:w-4" />
    </span>
  )
}
