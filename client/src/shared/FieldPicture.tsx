import { useCallback } from 'react'
import type { Field, PieceView } from '../api/api'
import { Painting } from './Painting'

/** A colour field that the server computed, painted inside the outline of a piece. */
export function FieldPicture({
  field,
  piece,
  heightPx,
  label,
}: {
  field: Field
  /** Without an outline the whole field is shown. */
  piece: Pick<PieceView, 'widthMm' | 'lengthMm'> & { outlinePath?: string }
  heightPx: number
  /** What is to be seen, in words; empty if that is said beside it. */
  label: string
}) {
  const widthPx = Math.round((heightPx * piece.widthMm) / piece.lengthMm)
  const draw = useCallback(
    (context: CanvasRenderingContext2D) => {
      context.scale(widthPx / piece.widthMm, heightPx / piece.lengthMm)
      if (piece.outlinePath) context.clip(new Path2D(piece.outlinePath))
      context.imageSmoothingQuality = 'high'
      drawField(context, field, piece)
    },
    [field, piece, heightPx, widthPx],
  )
  return <Painting widthPx={widthPx} heightPx={heightPx} label={label} draw={draw} />
}

/** A field in a box of width by length, tip up, with its painted details sharp over it. */
export function drawField(
  context: CanvasRenderingContext2D,
  field: Field,
  { widthMm, lengthMm }: { widthMm: number; lengthMm: number },
) {
  context.drawImage(pictureOf(field), 0, 0, widthMm, lengthMm)
  for (const mark of field.marks ?? []) {
    context.save()
    context.clip(new Path2D(mark.path))
    context.drawImage(pictureOf(mark.field), 0, 0, widthMm, lengthMm)
    context.restore()
  }
}

function pictureOf(field: Field): HTMLCanvasElement {
  const picture = document.createElement('canvas')
  picture.width = field.columns
  picture.height = field.rows
  const context = picture.getContext('2d')!
  const pixels = context.createImageData(field.columns, field.rows)
  const bytes = atob(field.rgb)
  for (let point = 0; point < field.columns * field.rows; point++) {
    for (let part = 0; part < 3; part++) pixels.data[4 * point + part] = bytes.charCodeAt(3 * point + part)
    pixels.data[4 * point + 3] = 255
  }
  context.putImageData(pixels, 0, 0)
  return picture
}
