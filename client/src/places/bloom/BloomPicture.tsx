import { useEffect, useRef } from 'react'
import type { Bloom } from '../../api/api'
import { drawBeside, drawBloom } from './drawBloom'

/** Room round the farthest tip. */
const margin = 1.06

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
    stand.pxPerMm = (sizePx * scale) / 2 / (bloom.reachMm * margin)
    // Leaves lie under the flower and look out from it.
    const leaves = only ? [] : bloom.kinds.filter((kind) => kind.role === 'leaf')
    const all = leaves.flatMap((kind) => Array.from({ length: Math.min(kind.perPart, 12) }, (_, i) => ({ kind, i })))
    all.forEach(({ kind, i }, at) =>
      drawBeside(context, kind, i, { ...stand, turn: (at * 360) / all.length + 24 }, 0.2 * bloom.reachMm),
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
