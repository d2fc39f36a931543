import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { Brush } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import { useParams } from 'wouter'
import type { DustDay, Dusting } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { NotThere } from '../../shared/Message'
import { minutesWords } from '../../shared/minutesWords'
import { SheetHead } from '../../shared/SheetHead'
import { Swatch } from '../../shared/Swatch'
import { cabinetHangsOnTicks, tickSteps } from '../../shared/tickStep'
import { useKept } from '../../shared/useKept'
import { useTicks } from '../../shared/useTicks'
import type { NameOf } from '../../shared/words'
import { dayWords, grams, nameFinder } from '../../shared/words'
import { placeWords } from '../flower/coatWords'

const dustings: Dusting[] = ['beforeAssembly', 'asPlanned', 'afterAssembly']

const isDusting = (value: unknown): value is Dusting => dustings.includes(value as Dusting)

type PassView = DustDay['passes'][number]
type Use = PassView['uses'][number]

/** A commission's coats as a day's work: all pieces with the first colour, then all with the next. */
export function DustDayPage() {
  const { commissionId = '' } = useParams()
  const dusting = useKept<Dusting>(`dusting/${commissionId}`, 'asPlanned', isDusting)
  const day = useQuery({ ...queries.dustDay(commissionId, dusting.value), placeholderData: keepPreviousData })
  const materials = useQuery(queries.materials())
  if (!day.data || !materials.data) return <NotThere of={[day, materials]} />
  return (
    <Sheet
      day={day.data}
      dusting={dusting.value}
      onDusting={(when) => dusting.set(when)}
      nameOf={nameFinder(materials.data)}
    />
  )
}

function Sheet({
  day,
  dusting,
  onDusting,
  nameOf,
}: {
  day: DustDay
  dusting: Dusting
  onDusting: (dusting: Dusting) => void
  nameOf: NameOf
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const { commission } = day
  const ticks = useTicks(
    `dust-day/${commission.id}`,
    async (key, { ticked, fingerprint }) => {
      // A coat on a kind of piece is a few steps of that piece's own run sheet: mixing, and brushing.
      await tickSteps(key.split(' ')[0]!, JSON.parse(fingerprint) as Record<string, string>, ticked)
    },
    () =>
      client.invalidateQueries({
        predicate: ({ queryKey }) => ['dust-day', ...cabinetHangsOnTicks].includes(String(queryKey[0])),
      }),
  )
  const assembledAt = day.passes.findIndex((view) => view.pass.afterAssembly)
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
      <SheetHead
        back={{ to: '/commissions', label: commission.name }}
        title={t('dustDay.title', { commission: commission.name })}
        aside={t('runSheet.due', { date: dayWords(commission.dueOn) })}
        waiting={ticks.waiting}
      />
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
          <div className="mt-2 print:hidden">
            <Choice
              legend={t('dustDay.when')}
              options={dustings.map((value) => ({ value, label: t(`dustDay.choice.${value}`) }))}
              chosen={dusting}
              onChoose={onDusting}
            />
          </div>
          <p className="mt-1 max-w-prose text-sm">{t(`dustDay.means.${dusting}`)}</p>
          <ol className="mt-3">
            {day.passes.map((view, number) => (
              <li key={number} className="border-base-300 break-inside-avoid border-t py-2">
                {number === assembledAt && <p className="mb-2 font-semibold">{t('dustDay.assemble')}</p>}
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
                              <span>
                                <span className={isTicked ? 'quiet line-through' : ''}>{wordsOfUse(t, use)}</span>
                                {use.isOutOfReach && <strong> {t('dustDay.outOfReach')}</strong>}
                              </span>
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
          {assembledAt < 0 && <p className="border-base-300 border-t py-2 font-semibold">{t('dustDay.assemble')}</p>}
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
  return t(`dustDay.pass.${pass.kind}`, { names, liquid })
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
