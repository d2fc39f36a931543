import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Link, useParams } from 'wouter'
import type { Material, Operation, RunSheet } from '../../api/api'
import { queries } from '../../api/queries'
import { dayAndTime } from '../../shared/clockTime'
import { Cautions } from '../../shared/Cautions'
import { NotThere } from '../../shared/Message'
import { minutesWords } from '../../shared/minutesWords'
import { PlannedFor } from '../../shared/PlannedFor'
import { SheetHead } from '../../shared/SheetHead'
import { InlineSwatch } from '../../shared/Swatch'
import { hangsOnTicks, tickOperations } from '../../shared/tickStep'
import { useTranslation } from '../../shared/translation'
import { useTicks } from '../../shared/useTicks'
import { useTimeZone } from '../../shared/useTimeZone'
import type { NameOf } from '../../shared/words'
import { dayWords, nameFinder, scale } from '../../shared/words'
import { PasteSteps } from '../pasteDay/PasteSteps'
import { cautionsOf, lotWords, stepWords } from './stepWords'
import { WentIn } from './WentIn'
import { inSentence } from '../../shared/inSentence'

/** What there is to do for a kind of piece, a flower or a commission: to tick at the bench, or to print. */
export function RunSheetPage() {
  const { commissionId, flowerId = '', pieceId } = useParams()
  const [of, id] = commissionId
    ? (['commissions', commissionId] as const)
    : pieceId
      ? (['pieces', pieceId] as const)
      : (['flowers', flowerId] as const)
  const sheet = useQuery(queries.runSheet(of, id))
  const materials = useQuery(queries.materials())
  if (!sheet.data || !materials.data) return <NotThere of={[sheet, materials]} />
  return <Sheet name={`${of}/${id}`} sheet={sheet.data} materials={materials.data} />
}

/** On paper what belongs to a step stands in its line: most take one or two lines less. */
const inLine = "block print:inline print:before:content-['_·_']"

const phases = ['paste', 'shape', 'colour', 'build'] as const

function Sheet({ name, sheet, materials }: { name: string; sheet: RunSheet; materials: Material[] }) {
  const { t } = useTranslation()
  const nameOf = nameFinder(materials)
  const client = useQueryClient()
  const readAgain = () =>
    client.invalidateQueries({ predicate: ({ queryKey }) => hangsOnTicks.includes(String(queryKey[0])) })
  const ticks = useTicks(
    name,
    (id, { ticked, fingerprint }) => tickOperations({ [id]: fingerprint }, ticked),
    readAgain,
  )
  const isTicked = (one: Operation) => ticks.isTicked({ ...one, key: one.id })
  const done = sheet.operations.filter(isTicked).length
  const next = sheet.operations.find((one) => !isTicked(one))
  const numbers = new Map(sheet.operations.map((one, i) => [one.id, i + 1]))
  const { commission, flowerId, flowerName, pieceId, pieceName } = sheet
  const title = pieceName
    ? t('runSheet.title', { flower: flowerName, piece: inSentence(pieceName) })
    : t('runSheet.titleOf', { name: flowerName ?? commission.name })
  const back = pieceId
    ? {
        to: `/flowers/${flowerId}/${pieceId}`,
        label: t('runSheet.back', { flower: flowerName, piece: pieceName && inSentence(pieceName) }),
      }
    : flowerId
      ? { to: `/flowers/${flowerId}`, label: flowerName ?? '' }
      : { to: '/commissions', label: commission.name }
  return (
    <main className="mx-auto w-full max-w-3xl p-4 lg:p-6 print:max-w-none print:p-0 print:text-[0.62rem] print:leading-[1.15] print:[&_.text-sm]:text-[0.62rem] print:[&_.text-sm]:leading-[1.15]">
      <SheetHead
        back={back}
        title={title}
        aside={`${commission.name}, ${t('runSheet.due', { date: dayWords(commission.dueOn) })}`}
        waiting={ticks.waiting}
      />
      <p className="mt-1 text-sm" role="status">
        {next
          ? t('runSheet.progress', { done, all: sheet.operations.length })
          : t('runSheet.finished', { all: sheet.operations.length })}
      </p>
      {sheet.operations.length === 0 && <p className="mt-3">{t('runSheet.nothing')}</p>}
      <div className={pieceId ? '' : 'print:columns-3 print:gap-3'}>
        {phases.map((phase) => {
          const own = sheet.operations.filter((one) => one.phase === phase)
          return (
            own.length > 0 && (
              <section key={phase} aria-labelledby={`phase-${phase}`} className="mt-4 print:mt-2">
                <h2 id={`phase-${phase}`} className="font-semibold">
                  {t(`runSheet.phase.${phase}`)}
                </h2>
                <ol className="border-base-300 mt-1 border-t">
                  {own.map((one) => (
                    <Step
                      key={one.id}
                      operation={one}
                      number={numbers.get(one.id)!}
                      isNext={one === next}
                      isTicked={isTicked(one)}
                      isOfOne={pieceId !== null}
                      sheet={sheet}
                      materials={materials}
                      onKept={readAgain}
                      nameOf={nameOf}
                      onTick={(ticked) => ticks.setTicked({ ...one, key: one.id }, ticked)}
                    />
                  ))}
                </ol>
              </section>
            )
          )
        })}
      </div>
      <Cautions of={cautionsOf(sheet.operations)} />
    </main>
  )
}

function Step({
  operation,
  number,
  isNext,
  isTicked,
  isOfOne,
  sheet,
  materials,
  onKept,
  nameOf,
  onTick,
}: {
  materials: Material[]
  onKept: () => Promise<unknown>
  operation: Operation
  number: number
  isNext: boolean
  isTicked: boolean
  /** The sheet is of one kind of piece: that is not said at every step. */
  isOfOne: boolean
  sheet: RunSheet
  nameOf: NameOf
  onTick: (ticked: boolean) => void
}) {
  const { t } = useTranslation()
  const timeZone = useTimeZone(sheet.timeZone)
  const time = sheet.times[operation.id]
  const when = (at: string) => dayAndTime(t, at, timeZone)
  const words = stepWords(t, operation, nameOf)
  // After lines of its own a wait has one too.
  const hasLines =
    words.lines?.length || operation.paste || operation.beginWithinMinutes !== null || (isOfOne && words.how)
  const wait = hasLines ? 'block' : inLine
  const others = lotWords(t, operation, isOfOne ? sheet.pieceId : null, isOfOne)
  return (
    <li
      aria-current={isNext ? 'step' : undefined}
      className={`border-base-300 break-inside-avoid border-b print:border-0 ${isNext ? 'bg-base-200 print:bg-transparent' : ''}`}
    >
      <label className="flex cursor-pointer gap-4 px-2 py-3 print:gap-1.5 print:px-0 print:py-px">
        <input
          type="checkbox"
          className="checkbox checkbox-primary mt-0.5 print:mt-0 print:size-3"
          checked={isTicked}
          onChange={(event) => onTick(event.target.checked)}
        />
        <span className="quiet min-w-7 text-right print:min-w-5">{number}</span>
        <span className="grow">
          <span className={`block font-semibold print:inline ${isTicked ? 'quiet line-through' : ''}`}>
            {operation.colour && operation.step.kind !== 'brushDust' && <InlineSwatch colour={operation.colour} />}{' '}
            {words.what}
            {!isTicked && (
              <PlannedFor time={time} timeZone={sheet.timeZone} onlyDries={operation.step.kind === 'dryPieces'} />
            )}
          </span>
          {others && <span className={`text-sm ${inLine}`}>{others}</span>}
          {words.lines?.map((line, i) => (
            <span key={i} className="block text-sm">
              {line}
            </span>
          ))}
          {operation.paste && (
            <span className="block text-sm">
              {t('ombre.act.weigh', { mass: scale(t, operation.paste.weighG), name: nameOf(operation.paste.baseId) })}
              <PasteSteps batch={operation.paste.batch} nameOf={nameOf} letDownsApart />
            </span>
          )}
          {/* On paper a whole commission has room for what differs from step to step only. */}
          {words.how && <span className={`block text-sm ${isOfOne ? '' : 'print:hidden'}`}>{words.how}</span>}
          {operation.beginWithinMinutes !== null && (
            <span className="block text-sm font-semibold">
              {t('runSheet.within', { time: minutesWords(t, operation.beginWithinMinutes) })}
            </span>
          )}
          {operation.waitMinutes > 0 && !words.saysWait && (
            <span className={`quiet text-sm ${wait}`}>
              {t(time?.restsUntil ? 'runSheet.waitUntil' : 'runSheet.wait', {
                time: minutesWords(t, operation.waitMinutes),
                when: time?.restsUntil ? when(time.restsUntil) : '',
              })}
            </span>
          )}
          {time?.restsUntil && words.saysWait && (
            <span className={`quiet text-sm ${wait}`}>{t('runSheet.restsUntil', { when: when(time.restsUntil) })}</span>
          )}
          {operation.changedSince && isTicked && (
            <span className="text-error block text-sm font-semibold">{t('runSheet.changed')}</span>
          )}
        </span>
      </label>
      {operation.step.kind === 'makeSpray' && (
        <p className="pb-2 pl-16 text-sm print:hidden">
          <Link className="act" to={`/commissions/${sheet.commission.id}/spray-plan`}>
            {t('sprayPlan.open')}
          </Link>
        </p>
      )}
      {isTicked && <WentIn operation={operation} materials={materials} nameOf={nameOf} onKept={onKept} />}
    </li>
  )
}
