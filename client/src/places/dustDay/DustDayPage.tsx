import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Brush, Printer } from 'lucide-react'
import { useTranslation } from 'react-i18next'
import { Link, useParams } from 'react-router'
import type { DustDay } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { FrameState } from '../../shared/FrameState'
import { Reading, Unreadable } from '../../shared/Message'
import { minutesWords } from '../../shared/minutesWords'
import { Swatch } from '../../shared/Swatch'
import { useTicks } from '../../shared/useTicks'
import type { NameOf } from '../../shared/words'
import { dayWords, grams, nameFinder } from '../../shared/words'
import { placeWords } from '../flower/coatWords'

type PassView = DustDay['passes'][number]
type Use = PassView['uses'][number]

/** A commission's coats as a day's work: all pieces with the first colour, then all with the next. */
export function DustDayPage() {
  const { commissionId = '' } = useParams()
  const day = useQuery(queries.dustDay(commissionId))
  const materials = useQuery(queries.materials())
  if (!day.data || !materials.data)
    return day.error ? <Unreadable error={day.error} retry={() => void day.refetch()} /> : <Reading />
  return <Sheet day={day.data} nameOf={nameFinder(materials.data)} />
}

function Sheet({ day, nameOf }: { day: DustDay; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const { commission } = day
  const now = day.afterAssembly === 0 ? 'before' : day.beforeAssembly === 0 ? 'after' : 'both'
  const ticks = useTicks(
    `dust-day/${commission.id}`,
    async (key, wish) => {
      // A coat on a kind of piece is a few steps of that piece's own run sheet: mixing, and brushing.
      const id = key.split(' ')[0]!
      const steps = JSON.parse(wish.fingerprint) as Record<string, string>
      for (const [step, fingerprint] of Object.entries(steps)) {
        const path = { id, step }
        await answer(
          wish.ticked
            ? api.PUT('/api/pieces/{id}/run-sheet/{step}/tick', { params: { path }, body: { fingerprint } })
            : api.DELETE('/api/pieces/{id}/run-sheet/{step}/tick', { params: { path } }),
        )
      }
    },
    () => client.invalidateQueries({ queryKey: queries.dustDay(commission.id).queryKey }),
  )
  const tickable = (pass: PassView, i: number) => {
    const use = pass.uses[i]!
    return {
      key: `${use.pieceId} ${pass.pass.uses[i]!.coatId}`,
      fingerprint: JSON.stringify(use.stepKeys),
      tickedAt: use.isDone ? 'done' : null,
    }
  }
  return (
    <main className="mx-auto w-full max-w-4xl p-4 lg:p-6 print:max-w-none print:p-0">
      <FrameState>
        <span role="status" className={ticks.waiting ? 'text-error font-semibold' : 'quiet'}>
          {t(ticks.waiting ? 'save.waiting' : 'save.saved')}
        </span>
      </FrameState>
      <p className="text-xs print:hidden">
        <Link className="act" to="/commissions">
          {commission.name}
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="name text-2xl">{t('dustDay.title', { commission: commission.name })}</h1>
        <p className="quiet text-sm">{t('runSheet.due', { date: dayWords(commission.dueOn) })}</p>
        <button className="btn btn-sm ml-auto print:hidden" onClick={() => window.print()}>
          <Printer size={16} aria-hidden />
          {t('runSheet.print')}
        </button>
      </div>
      {day.passes.length === 0 ? (
        <p className="mt-3">{t('dustDay.nothing')}</p>
      ) : (
        <>
          <p className="mt-1 text-sm">
            {t('dustDay.summary', {
              passes: t('dustDay.passes', { count: day.passes.length }),
              brushes: t('dustDay.brushes', { count: day.brushChanges }),
              time: minutesWords(t, day.minutes),
            })}
          </p>
          <ul className="mt-1 max-w-prose text-sm" aria-label={t('dustDay.when')}>
            {(['before', 'after', 'both'] as const).map((when) => (
              <li key={when} className={when === now ? 'font-semibold' : 'quiet'}>
                {when === now ? t('dustDay.asPlanned', { what: t(`dustDay.${when}`) }) : t(`dustDay.${when}`)}
              </li>
            ))}
          </ul>
          <ol className="mt-3">
            {day.passes.map((view, number) => (
              <li key={number} className="border-base-300 break-inside-avoid border-t py-2">
                {view.pass.newBrush && view.pass.family && (
                  <p className="mb-1 flex items-center gap-1 text-sm font-semibold">
                    <Brush size={15} aria-hidden />
                    {t('dustDay.newBrush', { family: t(`brush.${view.pass.family}`) })}
                  </p>
                )}
                <div className="flex gap-3">
                  <span className="quiet w-5 text-right">{number + 1}</span>
                  {view.pot && (
                    <span className="surround self-start p-1">
                      <Swatch colour={view.pot} className="block h-6 w-10" />
                    </span>
                  )}
                  <div className="grow">
                    <p className="font-semibold">{passWords(t, view, nameOf)}</p>
                    {view.pass.amounts.length > 0 && view.pass.kind !== 'pollen' && (
                      <p className="text-sm">{amountWords(t, view, nameOf)}</p>
                    )}
                    <ul className="mt-1">
                      {view.uses.map((use, i) => {
                        const step = tickable(view, i)
                        const isTicked = ticks.isTicked(step)
                        return (
                          <li key={step.key}>
                            <label className="flex min-h-8 cursor-pointer items-start gap-3 py-1 text-sm">
                              <input
                                type="checkbox"
                                className="checkbox checkbox-sm checkbox-primary mt-0.5"
                                checked={isTicked}
                                onChange={(event) => ticks.setTicked(step, event.target.checked)}
                              />
                              <span className={isTicked ? 'quiet line-through' : ''}>{wordsOfUse(t, use)}</span>
                            </label>
                          </li>
                        )
                      })}
                    </ul>
                    {view.pass.waitMinutes > 0 && (
                      <p className="text-sm font-semibold">
                        {t('dustDay.wait', { time: minutesWords(t, view.pass.waitMinutes) })}
                      </p>
                    )}
                  </div>
                </div>
              </li>
            ))}
          </ol>
          <section className="border-base-300 mt-2 break-inside-avoid border-t pt-3 text-sm">
            <h2 className="font-semibold">{t('caution.title')}</h2>
            <ul className="mt-1 list-disc pl-5">
              {(['dustInTheAir', 'gloves', 'fumes'] as const).map((caution) => (
                <li key={caution}>{t(`caution.${caution}`)}</li>
              ))}
            </ul>
            <p className="quiet mt-1">{t('caution.defer')}</p>
          </section>
        </>
      )}
    </main>
  )
}

type T = ReturnType<typeof useTranslation>['t']

function passWords(t: T, { pass }: PassView, nameOf: NameOf): string {
  const names = pass.amounts.map((one) => nameOf(one.materialId)).join(', ')
  const liquid = pass.thinnerOrGlazeId ? nameOf(pass.thinnerOrGlazeId) : ''
  return t(`dustDay.pass.${pass.kind}${pass.afterAssembly ? 'After' : ''}`, { names, liquid })
}

function amountWords(t: T, { pass }: PassView, nameOf: NameOf): string {
  const parts = pass.amounts.map((one) => `${nameOf(one.materialId)} ${grams(t, one.grams)}`)
  if (pass.ml !== null && pass.thinnerOrGlazeId)
    parts.push(t('dustDay.liquid', { name: nameOf(pass.thinnerOrGlazeId), ml: pass.ml }))
  return t('dustDay.mix', { parts: parts.join(' · ') })
}

/** "Hellebore, sepals: 42, light, from the base to 10 %, on the face" */
function wordsOfUse(t: T, use: Use): string {
  const how = [
    t('dustDay.pieces', { count: use.pieces }),
    use.marking && t(`marking.${use.marking.kind}`).toLowerCase(),
    use.load && t(`load.${use.load}`),
    use.place && placeWords(t, use.place),
    use.seconds !== null && t('coat.seconds', { count: use.seconds }),
    use.coats !== null && t('coat.coats', { count: use.coats }),
    use.sides && t(`sides.on.${use.sides}`),
  ].filter(Boolean)
  return `${use.flowerName}, ${use.pieceName.toLowerCase()}: ${how.join(', ')} (${minutesWords(t, use.minutes)})`
}
