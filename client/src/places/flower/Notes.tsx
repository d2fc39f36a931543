import type { ReactNode } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Coat, CoatView, PieceView, Plan, Preview, ZoneView } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, grams, zoneName } from '../../shared/words'
import { coatName, mixAmounts } from './coatWords'
import { fixed } from '../../shared/numbers'
import { inSentence } from '../../shared/inSentence'

/** Under the ribbons: why, how much, and what to watch. */
export function Notes({
  piece,
  plan,
  preview,
  nameOf,
  children,
}: {
  piece: PieceView
  plan: Plan
  preview: Preview
  nameOf: NameOf
  /** What to look at again. */
  children: ReactNode
}) {
  const { t } = useTranslation()
  const viewOf = (id: string) => preview.coats.find((coat) => coat.id === id)
  const farthest = preview.zones.reduce((a, b) => (b.difference.deltaE > a.difference.deltaE ? b : a))
  return (
    <div className="grid gap-x-8 gap-y-4 px-4 py-3 text-sm md:grid-cols-3">
      <section>
        <Why
          view={farthest}
          zone={zoneName(t, farthest.zone, piece.build)}
          plan={plan}
          viewOf={viewOf}
          nameOf={nameOf}
        />
      </section>
      <section>
        <h2 className="font-semibold">{t('notes.amounts', { count: piece.toMake })}</h2>
        <ul className="mt-1 space-y-1">
          <li>
            {t('notes.paste', {
              mass: grams(t, preview.batch.pasteG),
              ball: piece.ball,
              each: grams(t, piece.pieceG),
            })}
          </li>
          {preview.coats.map((view) => {
            const coat = plan.coats.find((c) => c.id === view.id)
            if (!coat || coat.kind === 'steam') return null
            return (
              <li key={view.id}>
                {[
                  view.ml != null &&
                    t('notes.glaze', {
                      name: pouredName(coat),
                      ml: view.ml,
                    }),
                  mixAmounts(t, view, nameOf),
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </li>
            )
          })}
        </ul>
      </section>
      <section className={preview.advice.length > 0 ? 'border-base-content border-l-4 pl-3' : ''}>
        <h2 className="font-semibold">{t('notes.lookAgain')}</h2>
        {preview.advice.length === 0 && <p className="mt-1">{t('notes.nothing')}</p>}
        {children}
      </section>
    </div>
  )

  function pouredName(coat: Coat): string {
    return coat.kind === 'wash' ? nameOf(coat.thinnerId) : coatName(t, coat, viewOf(coat.id), nameOf)
  }
}

/** How each coat has moved the zone that is farthest from its target. */
function Why({
  view,
  zone,
  plan,
  viewOf,
  nameOf,
}: {
  view: ZoneView
  /** Its name. */
  zone: string
  plan: Plan
  viewOf: (coatId: string) => CoatView | undefined
  nameOf: NameOf
}) {
  const { t } = useTranslation()
  const steps = plan.coats.flatMap((coat, i) => {
    const before = view.colours[i]
    const after = view.colours[i + 1]
    if (!before || !after || view.details.includes(i)) return []
    const change = after.lab.l - before.lab.l
    return Math.abs(change) < 0.3 ? [] : [{ name: coatName(t, coat, viewOf(coat.id), nameOf), change }]
  })
  return (
    <>
      <h2 className="font-semibold">
        {view.difference.size === 'there'
          ? t('notes.allThere')
          : t('notes.why', {
              zone: inSentence(zone),
              difference: differenceWords(t, view.difference),
              deltaE: deltaE(view.difference.deltaE),
            })}
      </h2>
      <ul className="mt-1 space-y-1">
        {steps.map((step, i) => (
          <li key={i}>
            {t(step.change < 0 ? 'notes.deepens' : 'notes.pales', {
              name: step.name,
              amount: fixed(Math.abs(step.change), 1),
            })}
          </li>
        ))}
        {steps.length === 0 && <li>{t('notes.pasteOnly')}</li>}
      </ul>
    </>
  )
}
