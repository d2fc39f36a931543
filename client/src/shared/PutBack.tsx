import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from './translation'
import type { KeptBatch } from '../api/api'
import { keepBatch } from './keepBatch'

/** A batch that was just removed, and the way back. */
export function PutBack({ removed, onBack }: { removed: KeptBatch | null; onBack: () => void }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const putBack = useMutation({
    mutationFn: (batch: KeptBatch) => keepBatch({ ...batch, version: 0 }),
    onSuccess: () => {
      onBack()
      return client.invalidateQueries()
    },
  })
  if (!removed) return null
  return (
    <p role="status" className="text-sm">
      {t('mixing.shelf.removed', { name: removed.name })}{' '}
      <button className="act min-h-6" onClick={() => putBack.mutate(removed)}>
        {t('mixing.shelf.putBack')}
      </button>
    </p>
  )
}
