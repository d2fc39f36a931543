import { useTranslation } from '../../shared/translation'
import type { PasteRecipe, Rescue, RescuePlan } from '../../api/api'
import { LetDownSteps } from '../../shared/LetDownSteps'
import { RecipeCard } from '../../shared/RecipeCard'
import { Swatch } from '../../shared/Swatch'
import { useArrival } from '../../shared/useArrival'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, dose, grams, money } from '../../shared/words'

/** The batch as it is, whether a rescue is worth it, and the ways out. */
export function RescueAnswer({
  rescue,
  nameOf,
  currency,
  onRecipe,
  needG,
}: {
  rescue: Rescue
  nameOf: NameOf
  currency: string
  onRecipe: (recipe: PasteRecipe) => void
  needG: number
}) {
  const { t } = useTranslation()
  const place = useArrival<HTMLElement>(rescue)
  return (
    <section ref={place} tabIndex={-1} aria-label={t('mixing.rescue.found')} className="mt-4 text-sm outline-none">
      <div className="surround flex items-center p-3">
        <Swatch colour={rescue.now} label={t('mixing.rescue.now')} className="h-14 w-28" />
        <Swatch colour={rescue.target} label={t('finder.target')} className="h-14 w-28" />
        <p className="pl-3">
          {t('mixing.rescue.now')}: <span className="font-semibold">{differenceWords(t, rescue.nowDifference)}</span>{' '}
          {deltaE(rescue.nowDifference.deltaE)}
        </p>
      </div>
      <p role="status" className="mt-2 font-semibold">
        {t(
          rescue.isThere
            ? 'mixing.rescue.isThere'
            : rescue.startAgain
              ? rescue.savedShare < 0.01
                ? 'mixing.rescue.savesNothing'
                : 'mixing.rescue.startAgain'
              : 'mixing.rescue.worthIt',
          { percent: Math.max(0, Math.round(100 * rescue.savedShare)) },
        )}
      </p>
      {!rescue.isThere && (
        <ol className="mt-2 grid gap-4 md:grid-cols-3" aria-label={t('mixing.rescue.ways')}>
          <Way
            title={t('mixing.rescue.least')}
            plan={rescue.leastMass}
            rescue={rescue}
            nameOf={nameOf}
            currency={currency}
          />
          {rescue.keepAll && (
            <Way
              title={t('mixing.rescue.keepAll')}
              plan={rescue.keepAll}
              rescue={rescue}
              nameOf={nameOf}
              currency={currency}
            />
          )}
          <RecipeCard
            title={t('mixing.rescue.again')}
            recipe={rescue.fresh}
            target={rescue.target}
            nameOf={nameOf}
            showTitle
            more={[
              t('mixing.rescue.againWhite', { mass: grams(t, needG), paste: nameOf(rescue.baseId) }),
              rescue.fresh.cost === null ? '' : t('mixing.cost', { cost: money(rescue.fresh.cost, currency) }),
            ].join(' ')}
          >
            <button className="btn btn-sm" onClick={() => onRecipe(rescue.fresh.recipe)}>
              {t('mixing.rescue.takeAgain')}
            </button>
          </RecipeCard>
        </ol>
      )}
    </section>
  )
}

function Way({
  title,
  plan,
  rescue,
  nameOf,
  currency,
}: {
  title: string
  plan: RescuePlan
  rescue: Rescue
  nameOf: NameOf
  currency: string
}) {
  const { t } = useTranslation()
  return (
    <li className="border-base-300 border-t pt-2">
      <h3 className="font-semibold">{title}</h3>
      <div className="surround mt-1 flex p-2">
        <Swatch colour={plan.colour} label={title} className="h-10 w-1/2" />
        <Swatch colour={rescue.target} label={t('finder.target')} className="h-10 w-1/2" />
      </div>
      <p className="mt-1">
        <span className="font-semibold">{differenceWords(t, plan.difference)}</span> {deltaE(plan.difference.deltaE)}
      </p>
      <ol className="mt-1 list-decimal space-y-0.5 pl-5">
        <li>
          {t('mixing.rescue.keep', { mass: grams(t, plan.keepG) })}
          {plan.leftOverG >= 0.5 && ` ${t('mixing.rescue.setAside', { mass: grams(t, plan.leftOverG) })}`}
        </li>
        {plan.weighG >= 0.5 && (
          <li>{t('mixing.rescue.white', { mass: grams(t, plan.weighG), paste: nameOf(rescue.baseId) })}</li>
        )}
        {plan.add.map((colour) => (
          <li key={colour.colourantId}>
            {t('step.addColour', { dose: dose(t, colour), name: nameOf(colour.colourantId) })}{' '}
            <span className="quiet">{grams(t, colour.grams)}</span>
            {colour.letDown && <LetDownSteps letDown={colour.letDown} name={nameOf(colour.colourantId)} />}
          </li>
        ))}
      </ol>
      <p className="quiet mt-1 text-xs">
        {t('mixing.rescue.total', { mass: grams(t, plan.totalG) })}
        {plan.cost !== null && ` ${t('mixing.cost', { cost: money(plan.cost, currency) })}`}
      </p>
    </li>
  )
}
