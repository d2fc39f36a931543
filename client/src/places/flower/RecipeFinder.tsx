import { useMutation } from '@tanstack/react-query'
import { useTranslation } from 'react-i18next'
import type { ColourView, FoundRecipe, Lab, PasteRecipe, PieceView } from '../../api/api'
import { answer, api, RequestFailed } from '../../api/api'
import { Problem } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import { deltaE, differenceWords, dose, grams } from '../../shared/words'
import type { NameOf } from './coatWords'

const mostColourants = 3

/** Recipes for the ground colour, nearest first, each to be taken with one press. */
export function RecipeFinder({
  piece,
  baseId,
  ground,
  nameOf,
  onUse,
}: {
  piece: PieceView
  baseId: string
  ground: Lab
  nameOf: NameOf
  onUse: (recipe: PasteRecipe) => void
}) {
  const { t } = useTranslation()
  const search = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/recipes/find', { body: { baseIds: [baseId], target: ground, pasteG: piece.batchG, mostColourants } })),
  })
  const [best] = search.data?.recipes ?? []
  return (
    <div className="mt-4">
      <button className="btn btn-primary btn-sm" disabled={search.isPending} onClick={() => search.mutate()}>
        {search.isPending ? t('finder.searching') : t('finder.find')}
      </button>
      {search.error && (
        <Problem>{t(`trouble.${search.error instanceof RequestFailed ? search.error.code : 'unexpected'}`)}</Problem>
      )}
      <div role="status">
        {search.data && !best && <p className="mt-2 text-sm">{t('finder.nothing')}</p>}
        {best && best.difference.size !== 'there' && (
          <p className="mt-2 text-sm">
            {t('finder.outOfReach', {
              difference: differenceWords(t, best.difference),
              deltaE: deltaE(best.difference.deltaE),
            })}
          </p>
        )}
        {best && <p className="sr-only">{t('finder.found', { count: search.data!.recipes.length })}</p>}
      </div>
      {search.data && best && (
        <ol className="mt-3 grid gap-4 md:grid-cols-3" aria-label={t('finder.results')}>
          {search.data.recipes.map((recipe, i) => (
            <Recipe
              key={i}
              place={i + 1}
              recipe={recipe}
              target={search.data.target}
              nameOf={nameOf}
              onUse={() => onUse(recipe.recipe)}
            />
          ))}
        </ol>
      )}
    </div>
  )
}

function Recipe({
  place,
  recipe,
  target,
  nameOf,
  onUse,
}: {
  place: number
  recipe: FoundRecipe
  target: ColourView
  nameOf: NameOf
  onUse: () => void
}) {
  const { t } = useTranslation()
  const { batch } = recipe
  return (
    <li className="border-base-300 border-t pt-2">
      <div className="surround flex p-2">
        <Swatch colour={recipe.colour} label={t('finder.recipe', { place })} className="h-10 w-1/2" />
        <Swatch colour={target} label={t('finder.target')} className="h-10 w-1/2" />
      </div>
      <p className="mt-1 text-sm">
        <span className="font-semibold">{differenceWords(t, recipe.difference)}</span>{' '}
        {deltaE(recipe.difference.deltaE)}
      </p>
      <table className="mt-1 w-full text-sm">
        <caption className="sr-only">{t('finder.doses', { paste: grams(batch.pasteG) })}</caption>
        <tbody>
          {batch.colours.map((colour) => (
            <tr key={colour.colourantId}>
              <th scope="row" className="text-left font-normal">
                {nameOf(colour.colourantId)}
              </th>
              <td className="text-right font-semibold">{dose(t, colour)}</td>
              <td className="quiet pl-2 text-right">{grams(colour.grams)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet mt-1 text-xs">
        {t('finder.steady', { rounding: deltaE(batch.roundingDeltaE), unsteadiness: deltaE(recipe.unsteadiness) })}
      </p>
      <button className="btn btn-sm mt-2" onClick={onUse}>
        {t('finder.use', { place })}
      </button>
    </li>
  )
}
