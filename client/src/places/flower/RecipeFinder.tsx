import { useMutation } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { Lab, PasteRecipe, PieceView } from '../../api/api'
import { answer, api } from '../../api/api'
import { FindRecipesRequestLimits } from '../../api/limits'
import { RequestFailed } from '../../core/RequestFailed'
import { Problem } from '../../shared/Message'
import { useArrival } from '../../shared/useArrival'
import { RecipeCard } from '../../shared/RecipeCard'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, problemWords, troubleWords } from '../../shared/words'

const mostColourants = FindRecipesRequestLimits.mostColourants.default

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
      answer(
        api.POST('/api/recipes/find', {
          body: { baseIds: [baseId], target: ground, pasteG: piece.batchG, mostColourants },
        }),
      ),
  })
  const [best] = search.data?.recipes ?? []
  const list = useArrival<HTMLOListElement>(search.data)
  const failed = search.error instanceof RequestFailed ? search.error : null
  return (
    <div className="mt-4">
      <div className="flex flex-wrap items-center gap-4">
        <button className="btn btn-primary btn-sm" disabled={search.isPending} onClick={() => search.mutate()}>
          {search.isPending ? t('finder.searching') : t('finder.find')}
        </button>
        <Link className="act text-sm" to={`/mixing?piece=${piece.id}`}>
          {t('finder.toTable')}
        </Link>
      </div>
      {search.error && (
        <Problem>
          {failed?.problems[0] ? problemWords(t, failed.problems[0], nameOf) : troubleWords(t, search.error)}
        </Problem>
      )}
      <div role="status">
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
        <ol
          ref={list}
          tabIndex={-1}
          className="mt-3 grid gap-4 outline-none md:grid-cols-3"
          aria-label={t('finder.results')}
        >
          {search.data.recipes.map((recipe, i) => (
            <RecipeCard
              key={i}
              title={t('finder.recipe', { place: i + 1 })}
              recipe={recipe}
              target={search.data.target}
              nameOf={nameOf}
            >
              <button className="btn btn-sm" onClick={() => onUse(recipe.recipe)}>
                {t('finder.use', { place: i + 1 })}
              </button>
            </RecipeCard>
          ))}
        </ol>
      )}
    </div>
  )
}
