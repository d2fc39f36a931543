import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { MixingTable, PasteRecipe } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { Failure } from '../../shared/Message'
import type { NameOf } from '../../shared/words'

/** Makes a mix the paste of the piece that it was mixed for. Its other figures stay as they are. */
export function UseForPiece({
  piece,
  recipe,
  words,
  nameOf,
}: {
  piece: MixingTable['pieces'][number]
  recipe: PasteRecipe
  words: string
  nameOf: NameOf
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const use = useMutation({
    mutationFn: async () => {
      const path = { id: piece.id }
      const { plan, version } = await answer(api.GET('/api/pieces/{id}', { params: { path } }))
      const doses = recipe.doses.filter((dose) => dose.gPer100g > 0)
      return answer(
        api.PUT('/api/pieces/{id}/plan', {
          params: { path },
          headers: madeFrom(version),
          body: { ...plan, paste: { ...recipe, doses } },
        }),
      )
    },
    onSuccess: () => client.invalidateQueries(),
  })
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      <button className="btn btn-sm" disabled={use.isPending} onClick={() => use.mutate()}>
        {words}
      </button>
      {use.isSuccess && (
        <p role="status">
          {t('mixing.use.used')}{' '}
          <Link className="act" to={`/flowers/${piece.flowerId}/${piece.id}`}>
            {t('mixing.use.see')}
          </Link>
        </p>
      )}
      <Failure error={use.error} nameOf={nameOf} />
    </div>
  )
}
