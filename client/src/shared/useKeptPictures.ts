import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { PictureShows } from '../api/api'
import { answer, api, upload } from '../api/api'
import { queries } from '../api/queries'
import { newId } from './newId'

/** Pictures that stay with a flower: of the living one, or of what came out. */
export function useKeptPictures(
  flowerId: string,
  shows: PictureShows,
  /** Told the picture that is to be looked at now: the one just added, or none. */
  onChosen?: (id: string | null) => void,
) {
  const client = useQueryClient()
  const asked = queries.pictures(flowerId, shows)
  const pictures = useQuery(asked)
  const readAgain = () => client.invalidateQueries({ queryKey: asked.queryKey })
  const add = useMutation({
    mutationFn: async ({ file, name }: { file: Blob; name: string }) => {
      const id = newId()
      await upload(`/api/flowers/${flowerId}/pictures/${id}?${new URLSearchParams({ name, shows }).toString()}`, file)
      return id
    },
    onSuccess: async (id) => {
      await readAgain()
      onChosen?.(id)
    },
  })
  const remove = useMutation({
    mutationFn: (id: string) => answer(api.DELETE('/api/pictures/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      onChosen?.(null)
      await readAgain()
    },
  })
  const take = (file: File) => add.mutate({ file, name: file.name })
  return { pictures, readAgain, add, remove, take }
}
