import type { KeptBatch, MixingTable } from '../../api/api'
import { FindRecipesRequestLimits } from '../../api/limits'
import type { Table } from './tableState'
import { noFilters } from './tableState'
import { inSentence } from '../../shared/inSentence'

type PieceOnShelf = MixingTable['pieces'][number]

/** The table laid for a piece: its target, its paste, and as much as it needs at once. */
export function fromPiece(piece: PieceOnShelf, shelf: MixingTable, zone: string | null = null): Table | null {
  const wanted = piece.targets.find((target) => (target.zone ?? null) === zone)
  if (!wanted) return null
  const commission = shelf.commissions.find((one) => one.id === piece.commissionId)
  return {
    target: wanted.colour.lab,
    targetName: `${piece.flowerName}, ${inSentence(piece.name)}`,
    commissionId: piece.commissionId,
    batchId: null,
    pieceId: piece.id,
    light: commission?.light ?? 'daylight',
    pasteG: piece.pasteG,
    mixes: [piece.recipe],
    mostColourants: FindRecipesRequestLimits.mostColourants.default,
    filters: noFilters,
  }
}

/** The table laid for a batch that was kept. */
export function fromBatch(batch: KeptBatch, shelf: MixingTable): Partial<Table> {
  return {
    target: batch.target.lab,
    targetName: batch.name,
    commissionId: batch.commissionId,
    batchId: batch.id,
    pieceId: null,
    light: shelf.commissions.find((one) => one.id === batch.commissionId)?.light ?? 'daylight',
    pasteG: batch.pasteG,
    mixes: [batch.recipe],
  }
}
