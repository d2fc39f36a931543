import type { KeptBatch, LogEntry, MixingTable } from '../../api/api'
import { FindRecipesRequestLimits, LookAtRecipeRequestLimits } from '../../api/limits'
import type { Table } from './tableState'
import { emptyTable, noFilters } from './tableState'
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

/** The same for a paste that is being kneaded and went wrong: with as much as is in the bowl. */
export function fromBowl(piece: PieceOnShelf, shelf: MixingTable, grams: number): Table | null {
  const { minimum, maximum } = LookAtRecipeRequestLimits.pasteG
  const table = fromPiece(piece, shelf)
  return table && grams >= minimum && grams <= maximum ? { ...table, pasteG: grams } : table
}

/** The table laid to make again what came out once: that is what is wanted, and it begins with what went in. */
export const againOf = (entry: LogEntry, mix: NonNullable<LogEntry['mix']>, name: string): Table => ({
  ...emptyTable(mix.baseId),
  target: entry.actual.lab,
  targetName: name,
  mixes: [{ baseId: mix.baseId, doses: mix.doses.map(({ colourantId, gPer100g }) => ({ colourantId, gPer100g })) }],
})

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
