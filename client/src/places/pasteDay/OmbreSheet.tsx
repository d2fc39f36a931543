import type { TFunction } from '../../shared/translation'
import { useTranslation } from '../../shared/translation'
import type { OmbreAnswer, OmbrePlan, OmbreStep, OmbreWay } from '../../api/api'
import { InlineSwatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { scale } from '../../shared/words'
import { PasteSteps } from './PasteSteps'
import { inSentence } from '../../shared/inSentence'

/** The run sheet of a run: what to make, set aside and add, in order. */
export function OmbreSheet({
  way,
  plan,
  kept,
  nameOf,
}: {
  way: OmbreWay
  plan: OmbrePlan
  kept: OmbreAnswer
  nameOf: NameOf
}) {
  const { t } = useTranslation()
  const piecesOf = (shade: number) =>
    kept.uses
      .filter((use) => plan.uses[shade]?.pieceIds.includes(use.piece.id))
      .map((use) => inSentence(use.piece.name))
      .join(', ')
  return (
    <section aria-labelledby="ombre-sheet" className="border-base-300 border-t px-4 py-4 lg:px-6">
      <h2 id="ombre-sheet" className="name text-xl">
        {t('ombre.sheet', { school: inSentence(t(`ombre.school.${way.school}.name`)) })}
      </h2>
      <ol className="border-base-300 mt-2 max-w-3xl border-t">
        {way.steps.map((step, i) => (
          <li key={i} className="border-base-300 flex break-inside-avoid gap-3 border-b py-2">
            <span className="quiet w-5 shrink-0 text-right">{i + 1}</span>
            <div className="min-w-0 grow">
              <p className="font-semibold">{ombreStepWords(t, step, nameOf)}</p>
              {step.act === 'makePaste' && step.batch && <PasteSteps batch={step.batch} nameOf={nameOf} />}
              {step.act !== 'makePaste' && step.act !== 'leftOver' && step.shade !== null && piecesOf(step.shade) && (
                <p className="quiet text-sm">{t('ombre.for', { pieces: piecesOf(step.shade) })}</p>
              )}
            </div>
            {step.colour && <InlineSwatch colour={step.colour} />}
          </li>
        ))}
      </ol>
    </section>
  )
}

/** One step of a run, in a maker's words. */
export function ombreStepWords(t: TFunction, step: OmbreStep, nameOf: NameOf): string {
  const mass = scale(t, step.grams)
  const base = step.recipe && nameOf(step.recipe.baseId)
  const shade = step.shade === null ? '' : inSentence(t('ombre.shade', { number: step.shade + 1 }))
  const stopName = (stop: number) => t('ombre.stop', { letter: 'ABC'[stop] })
  switch (step.act) {
    case 'makePaste':
      return step.recipe?.doses.length === 0
        ? step.stop === null
          ? t('ombre.act.weigh', { mass, name: nameOf(step.recipe.baseId) })
          : t('ombre.act.weighStop', { mass, name: nameOf(step.recipe.baseId), stop: stopName(step.stop) })
        : [
            step.shade === null
              ? t('ombre.act.make', { mass, stop: stopName(step.stop ?? 0) })
              : t('ombre.act.makeShade', { mass, shade }),
            t('ombre.act.from', { mass: scale(t, step.weighG), name: base }),
          ].join(': ')
    case 'setAside':
      return t('ombre.act.setAside', { mass, shade })
    case 'addPaste':
      return t('ombre.act.addPaste', { mass, stop: stopName(step.stop ?? 0), shade })
    case 'mixParts':
      return t('ombre.act.mixParts', {
        shade,
        parts: step.parts.map((part) => `${scale(t, part.grams)} ${stopName(part.stop)}`).join(' + '),
      })
    default:
      return t('ombre.act.leftOver', { mass })
  }
}
