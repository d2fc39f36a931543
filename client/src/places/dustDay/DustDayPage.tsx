import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Brush } from 'lucide-react'
import { Link, useParams } from 'wouter'
import type { DustDay, Operation } from '../../api/api'
import { queries } from '../../api/queries'
import { Cautions } from '../../shared/Cautions'
import { NotThere } from '../../shared/Message'
import { minutesWords } from '../../shared/minutesWords'
import { PlannedFor } from '../../shared/PlannedFor'
import { SheetHead } from '../../shared/SheetHead'
import { Swatch } from '../../shared/Swatch'
import { hangsOnTicks, tickOperations } from '../../shared/tickStep'
import { useTranslation } from '../../shared/translation'
import { useTicks } from '../../shared/useTicks'
import type { NameOf } from '../../shared/words'
import { dayWords, handWords, nameFinder } from '../../shared/words'
import { placeWords } from '../flower/coatWords'
import { potWords, stepWords } from '../sheets/stepWords'
import { inSentence } from '../../shared/inSentence'

type PassView = DustDay['passes'][number]
type Use = PassView['uses'][number]

/** Something that is one tick to the maker. */
interface Step {
  key: string
  fingerprint: string
  tickedAt: string | null
}

/** A commission's coats as a day's work: all pieces with the first colour, then all with the next. */
export function DustDayPage() {
  const { commissionId = '' } = useParams()
  const day = useQuery(queries.dustDay(commissionId))
  const materials = useQuery(queries.materials())
  if (!day.data || !materials.data) return <NotThere of={[day, materials]} />
  return <Sheet day={day.data} nameOf={nameFinder(materials.data)} />
}

/** A coat on a kind of piece may be several operations; they are ticked together. */
const together = (key: string, operations: Operation[], isDone: boolean): Step => ({
  key,
  fingerprint: JSON.stringify(Object.fromEntries(operations.map((one) => [one.id, one.fingerprint]))),
  tickedAt: isDone ? 'done' : null,
})

const alone = (operation: Operation) => together(operation.id, [operation], operation.tickedAt !== null)

function Sheet({ day, nameOf }: { day: DustDay; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const { commission } = day
  const ticks = useTicks(
    `dust-day/${commission.id}`,
    (_, { ticked, fingerprint }) => tickOperations(JSON.parse(fingerprint) as Record<string, string>, ticked),
    () => client.invalidateQueries({ predicate: ({ queryKey }) => hangsOnTicks.includes(String(queryKey[0])) }),
  )
  const list = (passes: PassView[]) => (
    <ol className="mt-3 print:mt-1 print:columns-2 print:gap-4">
      {passes.map((pass, i) => (
        <li key={i} className="border-base-300 break-inside-avoid border-t py-2 print:py-0.5">
          <Stages of={pass.stages} ticks={ticks} nameOf={nameOf} />
          {pass.newBrush && pass.family && (
            <p className="mb-1 flex items-center gap-1 text-sm font-semibold">
              <Brush size={15} aria-hidden />
              {t('dustDay.newBrush', { family: t(`brush.${pass.family}`) })}
            </p>
          )}
          <div className="flex gap-3">
            <span className="quiet w-5 shrink-0 text-right">{i + 1}</span>
            {pass.colour && (
              <span className="surround self-start p-1 print:p-0.5">
                <Swatch colour={pass.colour} className="block h-6 w-10 print:h-3 print:w-6" />
              </span>
            )}
            <div className="grow">
              <p className="font-semibold">{passWords(t, pass, nameOf)}</p>
              {pass.pot && <PotLine pot={pass.pot} isFirst={pass.isFirstOfPot} nameOf={nameOf} ticks={ticks} />}
              {pass.ml !== null && <p className="text-sm">{t('dustDay.about', { ml: pass.ml })}</p>}
              {pass.crumbs && <p className="text-sm">{handWords(t, pass.crumbs)}</p>}
              <ul className="mt-1 print:mt-0">
                {pass.uses.map((use) => {
                  const step = together(use.operations.map((one) => one.id).join(' '), use.operations, use.isDone)
                  return (
                    <li key={step.key}>
                      <Tick step={step} ticks={ticks}>
                        {wordsOfUse(t, use)}
                        {!use.isDone && <PlannedFor time={use.time} timeZone={day.timeZone} />}
                        {use.isOutOfReach && <strong> {t('dustDay.outOfReach')}</strong>}
                      </Tick>
                    </li>
                  )
                })}
              </ul>
              {pass.waitMinutes > 0 && (
                <p className="text-sm font-semibold">
                  {t('dustDay.wait', { time: minutesWords(t, pass.waitMinutes) })}
                </p>
              )}
            </div>
          </div>
        </li>
      ))}
    </ol>
  )
  return (
    <main className="mx-auto w-full max-w-4xl p-4 lg:p-6 print:max-w-none print:p-0 print:text-[0.62rem] print:leading-[1.15] print:[&_.text-sm]:text-[0.62rem] print:[&_.text-sm]:leading-[1.15]">
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
            })}{' '}
            {t(day.brushChanges <= day.fewestBrushes ? 'dustDay.fewest' : 'dustDay.atLeast', {
              count: day.fewestBrushes,
            })}{' '}
            {day.passes.some((pass) => pass.uses.some((use) => !use.isDone && use.time?.from)) && t('dustDay.byPlan')}
          </p>
          {list(day.passes)}
          <Stages of={day.stages} ticks={ticks} nameOf={nameOf} />
          <Cautions of={['dustInTheAir', 'gloves', 'fumes']} />
        </>
      )}
    </main>
  )
}

type Ticks = ReturnType<typeof useTicks>

/** What is put together now, before the coats that go onto what stands. */
function Stages({ of, ticks, nameOf }: { of: Operation[]; ticks: Ticks; nameOf: NameOf }) {
  const { t } = useTranslation()
  if (of.length === 0) return null
  return (
    <section aria-label={t('dustDay.assemble')} className="break-inside-avoid pb-2">
      <h2 className="font-semibold">{t('dustDay.assemble')}</h2>
      <ul>
        {of.map((stage) => (
          <li key={stage.id}>
            <Tick step={alone(stage)} ticks={ticks}>
              {stage.lots[0]?.flowerName}: {stepWords(t, stage, nameOf).what}{' '}
              <Link className="act print:hidden" to={`/flowers/${stage.lots[0]?.flowerId}/assembly`}>
                {t('dustDay.openAssembly')}
              </Link>
            </Tick>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Tick({ step, ticks, children }: { step: Step; ticks: Ticks; children: React.ReactNode }) {
  const isTicked = ticks.isTicked(step)
  return (
    <label className="flex min-h-8 cursor-pointer items-start gap-3 py-1 text-sm print:min-h-0 print:py-0">
      <input
        type="checkbox"
        className="checkbox checkbox-sm checkbox-primary mt-0.5 print:size-3"
        checked={isTicked}
        onChange={(event) => ticks.setTicked(step, event.target.checked)}
      />
      <span className={isTicked ? 'quiet line-through' : ''}>{children}</span>
    </label>
  )
}

/** A pot is mixed once, before the first pass that takes from it; later ones only name it. */
function PotLine({ pot, isFirst, nameOf, ticks }: { pot: Operation; isFirst: boolean; nameOf: NameOf; ticks: Ticks }) {
  const { t } = useTranslation()
  if (pot.step.kind !== 'mixPot') return null
  const words = potWords(t, pot.step.pot, nameOf)
  if (!isFirst) return <p className="quiet text-sm">{t('dustDay.samePot')}</p>
  return (
    <Tick step={alone(pot)} ticks={ticks}>
      {words.what}. {words.lines?.join(' ')}
    </Tick>
  )
}

type T = ReturnType<typeof useTranslation>['t']

function passWords(t: T, pass: PassView, nameOf: NameOf): string {
  const names = pass.materialIds.map(nameOf).join(', ')
  const liquid = pass.liquidId ? nameOf(pass.liquidId) : ''
  return t(`dustDay.pass.${pass.kind}`, { names, liquid })
}

/** "Hellebore, sepals: 42, light, from the base to 10 %, on the face" */
function wordsOfUse(t: T, use: Use): string {
  const how = [
    use.flowers === null ? t('dustDay.pieces', { count: use.pieces }) : t('dustDay.flowers', { count: use.flowers }),
    use.marking && inSentence(t(`marking.${use.marking.kind}`)),
    use.load && t(`load.${use.load}`),
    use.place && placeWords(t, use.place),
    use.seconds !== null && t('coat.seconds', { count: use.seconds }),
    use.coats !== null && t('coat.coats', { count: use.coats }),
    use.sides && t(`sides.on.${use.sides}`),
  ].filter(Boolean)
  const whom = use.flowers === null ? `${use.flowerName}, ${inSentence(use.pieceName)}` : use.flowerName
  return `${whom}: ${how.join(', ')} (${minutesWords(t, use.minutes)})`
}
