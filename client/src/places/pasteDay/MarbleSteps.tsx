import { useTranslation } from '../../shared/translation'
import type { MarbleLook, MarblePlan } from '../../api/api'
import { InlineSwatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { scale } from '../../shared/words'
import { PasteSteps } from './PasteSteps'

/** How to make a marbled batch, from its pastes to the sheet. */
export function MarbleSteps({ look, plan, nameOf }: { look: MarbleLook; plan: MarblePlan; nameOf: NameOf }) {
  const { t } = useTranslation()
  const pastes = look.stripes.flatMap((stripe, i) =>
    plan.stripes[i] && stripe.grams > 0 ? [{ ...stripe, recipe: plan.stripes[i].recipe, number: i + 1 }] : [],
  )
  return (
    <section aria-labelledby="marble-steps" className="border-base-300 border-t px-4 py-4 lg:px-6">
      <h2 id="marble-steps" className="name text-xl">
        {t('marble.steps.title')}
      </h2>
      <ol className="mt-2 max-w-3xl list-decimal space-y-2 pl-5">
        {pastes.map((paste) => (
          <li key={paste.number}>
            <span className="font-semibold">
              {t('marble.steps.make', {
                mass: scale(t, paste.grams),
                name: nameOf(paste.recipe.baseId),
                number: paste.number,
              })}
            </span>{' '}
            <InlineSwatch colour={paste.colour} />
            <PasteSteps batch={paste.batch} nameOf={nameOf} />
          </li>
        ))}
        <li className="font-semibold">{t('marble.steps.lay', { count: plan.repeats, pastes: pastes.length })}</li>
        <li>
          <span className="font-semibold">{t('marble.steps.fold', { count: plan.folds })}</span>
          {plan.twist > 0 && (
            <p className="text-sm">{t('marble.steps.twist', { percent: Math.round(100 * plan.twist) })}</p>
          )}
        </li>
        <li className="font-semibold">{t('marble.steps.roll', { thickness: look.thicknessMm })}</li>
      </ol>
    </section>
  )
}
