import { useEffect, useRef } from 'react'
import type { Bloom } from '../../api/api'
import { drawBeside, drawBloom } from './drawBloom'

/** Room round the farthest tip, and how much of the leaves is looked for at most. */
const margin = 1.06
const mostForLeaves = 2.2

/** An open flower from above, or one of its whorls by itself. */
export function BloomPicture({
  bloom,
  sizePx,
  only,
  label,
}: {
  bloom: Bloom
  sizePx: number
  /** Piece whose whorl is shown alone. */
  only?: string
  label: string
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const context = canvas.current?.getContext('2d')
    if (!context) return
    const scale = devicePixelRatio
    context.canvas.width = sizePx * scale
    context.canvas.height = sizePx * scale
    const stand = { x: (sizePx * scale) / 2, y: (sizePx * scale) / 2, pxPerMm: 0, turn: 0 }
    // Leaves lie under the flower and look out from it.
    const leaves = only ? [] : bloom.kinds.filter((kind) => kind.role === 'leaf')
    const reachMm = only ? reachOf(bloom, only) : bloom.reachMm
    const leafMm = Math.max(0, ...leaves.map((kind) => 0.05 * reachMm + kind.lengthMm))
    stand.pxPerMm = (sizePx * scale) / 2 / (Math.max(1, reachMm, Math.min(leafMm, mostForLeaves * reachMm)) * margin)
    const all = leaves.flatMap((kind) => Array.from({ length: Math.min(kind.perPart, 12) }, (_, i) => ({ kind, i })))
    all.forEach(({ kind, i }, at) =>
      drawBeside(context, kind, i, { ...stand, turn: (at * 360) / all.length + 24 }, 0.05 * reachMm),
    )
    drawBloom(context, bloom, stand, only)
  }, [bloom, sizePx, only])
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      style={{ width: sizePx, maxWidth: '100%', aspectRatio: '1 / 1' }}
    />
  )
}

/** From the middle to the farthest tip of one whorl. */
function reachOf(bloom: Bloom, pieceId: string): number {
  const reaches = bloom.bloom
    .filter((piece) => bloom.kinds[piece.kind]?.pieceId === pieceId)
    .map((piece) => piece.baseMm + piece.lengthShare * bloom.kinds[piece.kind]!.lengthMm)
  return Math.max(1, ...reaches)
}
