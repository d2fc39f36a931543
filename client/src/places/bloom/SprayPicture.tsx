import { useCallback } from 'react'
import type { SprayAnswer } from '../../api/api'
import { Painting } from '../../shared/Painting'
import { drawBeside, drawBloom } from './drawBloom'

const widthPx = 860
const heightPx = 600
const margin = 1.05

/** All flowers of a commission as they lie together. */
export function SprayPicture({ answer, label }: { answer: Pick<SprayAnswer, 'flowers' | 'spray'>; label: string }) {
  const draw = useCallback(
    (context: CanvasRenderingContext2D) => {
      const { flowers, spray } = answer
      const pxPerMm = Math.min(
        widthPx / 2 / Math.max(1, spray.halfWidthMm * margin),
        heightPx / 2 / Math.max(1, spray.halfHeightMm * margin),
      )
      const middle = { x: widthPx / 2, y: heightPx / 2, pxPerMm, turn: 0 }
      spray.beside.forEach((piece) => drawBeside(context, flowers[piece.flower]!.kinds[piece.kind]!, piece, middle))
      spray.blooms.forEach((bloom) =>
        drawBloom(context, flowers[bloom.flower]!, {
          x: middle.x + bloom.xMm * pxPerMm,
          y: middle.y + bloom.yMm * pxPerMm,
          pxPerMm,
          turn: bloom.turnDegrees,
        }),
      )
    },
    [answer],
  )
  return <Painting widthPx={widthPx} heightPx={heightPx} label={label} draw={draw} />
}
