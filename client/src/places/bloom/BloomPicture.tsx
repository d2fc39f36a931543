import { useCallback } from 'react'
import type { Bloom } from '../../api/api'
import { Painting } from '../../shared/Painting'
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
  const draw = useCallback(
    (context: CanvasRenderingContext2D) => {
      const leaves = only ? [] : bloom.leaves.map((leaf) => ({ leaf, kind: bloom.kinds[leaf.kind]! }))
      const reachMm = only ? reachOf(bloom, only) : bloom.reachMm
      const leafMm = Math.max(0, ...leaves.map(({ leaf, kind }) => leaf.baseMm + kind.lengthMm))
      // Leaves alone are all there is to look at.
      const shownMm = Math.max(1, reachMm, reachMm > 0 ? Math.min(leafMm, mostForLeaves * reachMm) : leafMm)
      const stand = { x: sizePx / 2, y: sizePx / 2, pxPerMm: sizePx / 2 / (shownMm * margin), turn: 0 }
      leaves.forEach(({ leaf, kind }) => drawBeside(context, kind, leaf, stand))
      drawBloom(context, bloom, stand, only)
    },
    [bloom, sizePx, only],
  )
  return <Painting widthPx={sizePx} heightPx={sizePx} label={label} draw={draw} />
}

/** From the middle to the farthest tip of one whorl. */
function reachOf(bloom: Bloom, pieceId: string): number {
  const reaches = bloom.bloom
    .filter((piece) => bloom.kinds[piece.kind]?.pieceId === pieceId)
    .map((piece) => piece.baseMm + piece.lengthShare * bloom.kinds[piece.kind]!.lengthMm)
  return Math.max(1, ...reaches)
}
