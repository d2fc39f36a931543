import { useTranslation } from '../../shared/translation'
import type { Look } from '../../api/api'
import { DepthWays } from '../../shared/DepthWays'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { deltaE, grams, money } from '../../shared/words'

/** What the recipe comes to: rounding, rest, cost, other lights, and other ways when it is too much. */
export function Told({
  look,
  pasteG,
  nameOf,
  currency,
}: {
  look: Look
  pasteG: number
  nameOf: NameOf
  currency: string
}) {
  const { t } = useTranslation()
  return (
    <div className="space-y-3 text-sm">
      <section>
        <h3 className="font-semibold">{t('mixing.told.batch', { mass: grams(t, pasteG) })}</h3>
        <ul className="mt-1 space-y-0.5">
          <li>{t('learned.within', { word: t(`learned.sureness.${look.sureness}`), deltaE: deltaE(look.range) })}</li>
          {look.batch.colours.length > 0 && (
            <li>{t('mixing.told.rounded', { deltaE: deltaE(look.batch.roundingDeltaE) })}</li>
          )}
          {look.restHours > 0 && <li>{t('mixing.told.rest', { count: Math.ceil(look.restHours) })}</li>}
          <li>{look.cost === null ? t('mixing.noCost') : t('mixing.cost', { cost: money(look.cost, currency) })}</li>
        </ul>
      </section>
      <section>
        <h3 className="font-semibold">{t('mixing.told.lights')}</h3>
        <ul className="surround mt-1 grid grid-cols-3 gap-x-2 gap-y-2 p-2 text-xs sm:grid-cols-6">
          {look.lights.map((lit) => (
            <li key={lit.light}>
              <span className="flex">
                <Swatch colour={lit.colour} label={t('mixing.told.mix')} className="h-7 w-1/2" />
                <Swatch colour={lit.target} label={t('finder.target')} className="h-7 w-1/2" />
              </span>
              {t(`light.${lit.light}`)} {deltaE(lit.difference.deltaE)}
            </li>
          ))}
        </ul>
      </section>
      {look.alternatives.length > 0 && (
        <section>
          <h3 className="font-semibold">{t('mixing.told.instead')}</h3>
          <DepthWays ways={look.alternatives} nameOf={nameOf} />
        </section>
      )}
    </div>
  )
}
