import { useTranslation } from './translation'
import type { Look } from '../api/api'
import { BeyondWords } from './BeyondWords'
import { InlineSwatch } from './Swatch'
import type { NameOf } from './words'
import { deltaE, differenceWords } from './words'
import { significant } from './numbers'

/** What to do instead of more colour than paste takes. */
export function DepthWays({ ways, nameOf }: { ways: Look['alternatives']; nameOf: NameOf }) {
  const { t } = useTranslation()
  return (
    <ul className="mt-1 space-y-1">
      {ways.map((way) => (
        <li key={way.way}>
          {way.way === 'dust' && way.beyond ? (
            <BeyondWords beyond={way.beyond} nameOf={nameOf} />
          ) : (
            <>
              {t(`mixing.way.${way.way}`, {
                recipe: way.recipe.doses
                  .map((one) => `${nameOf(one.colourantId)} ${t('unit.g', { value: significant(one.gPer100g, 2) })}`)
                  .join(', '),
                difference: differenceWords(t, way.difference),
                deltaE: deltaE(way.difference.deltaE),
              })}{' '}
              <InlineSwatch colour={way.colour} />
            </>
          )}
        </li>
      ))}
    </ul>
  )
}
