import type { ReactNode } from 'react'
import { useTranslation } from './translation'
import type { ColourView, FoundRecipe } from '../api/api'
import { Swatch } from './Swatch'
import type { NameOf } from './words'
import { deltaE, differenceWords, dose, grams } from './words'

/** A recipe that was found: its colour against the target, what goes in, and how sure a hand can be of it. */
export function RecipeCard({
  title,
  recipe,
  target,
  nameOf,
  more,
  showTitle = false,
  children,
}: {
  title: string
  recipe: FoundRecipe
  target: ColourView
  nameOf: NameOf
  /** A further line in small type. */
  more?: string
  showTitle?: boolean
  /** What can be done with it. */
  children: ReactNode
}) {
  const { t } = useTranslation()
  const { batch } = recipe
  return (
    <li className="border-base-300 border-t pt-2">
      {showTitle && <h3 className="mb-1 text-sm font-semibold">{title}</h3>}
      <div className="surround flex p-2">
        <Swatch colour={recipe.colour} label={title} className="h-10 w-1/2" />
        <Swatch colour={target} label={t('finder.target')} className="h-10 w-1/2" />
      </div>
      <p className="mt-1 text-sm">
        <span className="font-semibold">{differenceWords(t, recipe.difference)}</span>{' '}
        {deltaE(recipe.difference.deltaE)}
      </p>
      {batch.colours.length === 0 && <p className="mt-1 text-sm">{t('finder.plain')}</p>}
      <table className="mt-1 w-full text-sm">
        <caption className="sr-only">{t('finder.doses', { paste: grams(t, batch.pasteG) })}</caption>
        <tbody>
          {batch.colours.map((colour) => (
            <tr key={colour.colourantId}>
              <th scope="row" className="text-left font-normal">
                {nameOf(colour.colourantId)}
              </th>
              <td className="text-right font-semibold">{dose(t, colour)}</td>
              <td className="quiet pl-2 text-right">{grams(t, colour.grams)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet mt-1 text-xs">
        {batch.colours.length > 0 &&
          t('finder.steady', { rounding: deltaE(batch.roundingDeltaE), unsteadiness: deltaE(recipe.unsteadiness) })}
        {more && ` ${more}`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">{children}</div>
    </li>
  )
}
