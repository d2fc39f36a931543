import type { Beside, Bloom, BloomKind } from '../../api/api'
import { drawField } from '../../shared/FieldPicture'

/** Where a whole flower is drawn: its middle, how large, and turned how far. */
export interface Stand {
  x: number
  y: number
  pxPerMm: number
  /** Clockwise, in degrees. */
  turn: number
}

/** A flower from above, piece by piece from the lowest up, with the shade that the server says each has. */
export function drawBloom(context: CanvasRenderingContext2D, bloom: Bloom, stand: Stand, only?: string) {
  for (const piece of bloom.bloom) {
    const kind = bloom.kinds[piece.kind]
    if (!kind || (only && kind.pieceId !== only)) continue
    context.save()
    context.translate(stand.x, stand.y)
    context.rotate(((stand.turn + piece.angleDegrees) * Math.PI) / 180)
    context.scale(stand.pxPerMm, stand.pxPerMm)
    context.translate(0, -piece.baseMm)
    drawPiece(context, kind, piece)
    context.restore()
  }
}

/** Leaves, berries or buds that look out from under flowers, from the middle outward. */
export function drawBeside(context: CanvasRenderingContext2D, kind: BloomKind, piece: Beside, stand: Stand) {
  context.save()
  context.translate(stand.x, stand.y)
  context.rotate((piece.turnDegrees * Math.PI) / 180)
  context.scale(stand.pxPerMm, stand.pxPerMm)
  context.translate(0, -piece.baseMm)
  drawPiece(context, kind, {
    number: piece.number,
    lengthShare: 1,
    widthShare: 1,
    shade: 0,
    footShade: 0,
    endOn: false,
    isTurnedOver: false,
  })
  context.restore()
}

/** With its base at the origin, its tip up. */
function drawPiece(
  context: CanvasRenderingContext2D,
  kind: BloomKind,
  {
    number,
    lengthShare,
    widthShare,
    shade,
    footShade,
    endOn,
    isTurnedOver,
  }: Omit<Bloom['bloom'][number], 'kind' | 'angleDegrees' | 'baseMm'>,
) {
  const field = kind.looks[number % kind.looks.length]
  if (!field) return
  context.scale(isTurnedOver ? -widthShare : widthShare, lengthShare)
  context.translate(-kind.widthMm / 2, -kind.lengthMm)
  const outline = new Path2D(endOn ? undefined : kind.outlinePath)
  if (endOn)
    outline.ellipse(kind.widthMm / 2, kind.lengthMm / 2, kind.widthMm / 2, kind.lengthMm / 2, 0, 0, 2 * Math.PI)
  context.save()
  context.shadowColor = 'rgba(0, 0, 0, 0.35)'
  context.shadowBlur = 5
  context.fillStyle = '#808080'
  context.fill(outline)
  context.restore()
  context.save()
  context.clip(outline)
  drawField(context, field, kind)
  const dusk = context.createLinearGradient(0, kind.lengthMm, 0, 0)
  dusk.addColorStop(0, `rgba(0, 0, 0, ${footShade})`)
  dusk.addColorStop(0.6, `rgba(0, 0, 0, ${shade / 2})`)
  dusk.addColorStop(1, 'rgba(0, 0, 0, 0)')
  context.fillStyle = dusk
  context.fillRect(0, 0, kind.widthMm, kind.lengthMm)
  context.restore()
}
