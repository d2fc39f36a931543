import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from './translation'
import { answer, api } from '../api/api'
import { Failure } from './Message'

/** Puts the invented jars that come with the product on the shelf. */
export function PutInStarterJars({ onDone }: { onDone?: (count: number) => void }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const putIn = useMutation({
    mutationFn: () => answer(api.POST('/api/materials/starter')),
    onSuccess: ({ changed }) => {
      onDone?.(changed)
      return client.invalidateQueries()
    },
  })
  return (
    <>
      <button className="btn btn-sm" disabled={putIn.isPending} onClick={() => putIn.mutate()}>
        {t('starterJars.in')}
      </button>
      <Failure error={putIn.error} nameOf={(id) => id} />
    </>
  )
}
