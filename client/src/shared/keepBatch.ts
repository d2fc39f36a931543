import type { KeptBatch } from '../api/api'
import { answer, api, madeFrom } from '../api/api'

/** Keeps a batch as it is here, over the version it was made from. */
export const keepBatch = (batch: KeptBatch) =>
  answer(
    api.PUT('/api/batches/{id}', {
      params: { path: { id: batch.id } },
      headers: madeFrom(batch.version),
      body: {
        commissionId: batch.commissionId,
        name: batch.name,
        recipe: batch.recipe,
        pasteG: batch.pasteG,
        note: batch.note,
        target: batch.target.lab,
        measured: batch.measured?.lab ?? null,
        made: batch.made,
      },
    }),
  )
