import { useTranslation } from '../../shared/translation'
import type { FoundRecipes, PasteRecipe } from '../../api/api'
import { RecipeCard } from '../../shared/RecipeCard'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, money } from '../../shared/words'
import { useArrival } from '../../shared/useArrival'
import { BeyondWords } from '../../shared/BeyondWords'

/** Recipes that were found, each to be put on the table or laid beside what is there. */
export function Found({
  found,
  baseId,
  nameOf,
  currency,
  onTake,
}: {
  found: FoundRecipes
  /** Paste of the mix on the table. */
  baseId: string
  nameOf: NameOf
  currency: string
  onTake: (recipe: PasteRecipe, place: 0 | 1) => void
}) {
  const { t } = useTranslation()
  const [best] = found.recipes
  const place = useArrival<HTMLElement>(found)
  return (
    <section
      ref={place}
      tabIndex={-1}
      aria-label={t('mixing.find.found')}
      className="outline-none border-base-300 border-b px-4 py-4 lg:px-6"
    >
      <div role="status">
        {best && (
          <p className={best.difference.size === 'there' ? 'sr-only' : 'mt-2 max-w-prose text-sm'}>
            {best.difference.size === 'there' ? (
              t('finder.found', { count: found.recipes.length })
            ) : (
              <>
                {t('mixing.find.outOfReach', {
                  difference: differenceWords(t, best.difference),
                  deltaE: deltaE(best.difference.deltaE),
                })}{' '}
                {found.beyond ? <BeyondWords beyond={found.beyond} nameOf={nameOf} /> : t('mixing.find.nothingHelps')}
              </>
            )}
          </p>
        )}
      </div>
      <ol className="mt-3 grid gap-4 md:grid-cols-3" aria-label={t('finder.results')}>
        {found.recipes.map((recipe, i) => (
          <RecipeCard
            key={i}
            title={t('finder.recipe', { place: i + 1 })}
            recipe={recipe}
            target={found.target}
            nameOf={nameOf}
            more={[
              recipe.recipe.baseId === baseId ? '' : t('mixing.find.inPaste', { paste: nameOf(recipe.recipe.baseId) }),
              recipe.cost === null ? '' : t('mixing.cost', { cost: money(recipe.cost, currency) }),
            ]
              .filter(Boolean)
              .join(' ')}
          >
            <button className="btn btn-sm" onClick={() => onTake(recipe.recipe, 0)}>
              {t('mixing.find.take', { place: i + 1 })}
            </button>
            <button className="btn btn-sm btn-ghost" onClick={() => onTake(recipe.recipe, 1)}>
              {t('mixing.find.beside', { place: i + 1 })}
            </button>
          </RecipeCard>
        ))}
      </ol>
    </section>
  )
}
