import { useId } from 'react'
import type { PieceView } from '../api/api'

/** A piece in its own outline, filled from base over heart to tip, for lists and the stem. */
export function PieceDrawing({
  piece,
  heightPx,
  chosen = false,
}: {
  piece: Pick<PieceView, 'finished' | 'lengthMm' | 'widthMm' | 'outlinePath'>
  heightPx: number
  chosen?: boolean
}) {
  const gradient = useId()
  const { finished, lengthMm, widthMm } = piece
  // Room for the line of a chosen piece, in the drawing's own millimetres.
  const edge = (2 * lengthMm) / heightPx
  return (
    <svg
      aria-hidden
      height={heightPx}
      width={(heightPx * (widthMm + 2 * edge)) / (lengthMm + 2 * edge)}
      viewBox={`${-edge} ${-edge} ${widthMm + 2 * edge} ${lengthMm + 2 * edge}`}
    >
      <defs>
        <linearGradient id={gradient} x1="0" y1="1" x2="0" y2="0">
          <stop offset="0.08" stopColor={finished.base} />
          <stop offset="0.42" stopColor={finished.heart} />
          <stop offset="0.95" stopColor={finished.tip} />
        </linearGradient>
      </defs>
      <path
        d={piece.outlinePath}
        fill={`url(#${gradient})`}
        stroke={chosen ? 'currentColor' : finished.rim}
        strokeWidth={chosen ? edge : edge / 2}
      />
    </svg>
  )
}
