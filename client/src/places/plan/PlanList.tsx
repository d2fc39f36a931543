import { Link } from 'wouter'
import type { Maker, Pin } from '../../api/api'
import { useTranslation } from '../../shared/translation'
import { InlineSwatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { stepWords } from '../sheets/stepWords'
import type { TimedPart } from './planTimes'
import { PinEditor } from './PinEditor'
import { clock } from '../../shared/clockTime'
import { dayOf, longDay, mondayOf } from './planTimes'

/** The plan in words, day by day. */
export function PlanList({
  parts,
  makers,
  pins,
  timeZone,
  nameOf,
  onPin,
}: {
  parts: TimedPart[]
  makers: Maker[]
  pins: Pin[]
  timeZone: string
  nameOf: NameOf
  onPin: (operationId: string, pin: Pin | null) => void
}) {
  const { t } = useTranslation()
  const days = new Map<string, TimedPart[]>()
  for (const one of parts) {
    const day = dayOf(one.part.from, timeZone)
    days.set(day, [...(days.get(day) ?? []), one])
  }
  const weeks = new Map<string, [string, TimedPart[]][]>()
  for (const one of days) {
    const week = mondayOf(one[0])
    weeks.set(week, [...(weeks.get(week) ?? []), one])
  }
  return (
    <div className="relative space-y-5 print:space-y-0">
      {[...weeks].map(([week, ofWeek]) => (
        // On paper a week is a page.
        <div
          key={week}
          className="space-y-5 not-first:break-before-page print:columns-3 print:gap-4 print:space-y-1 print:text-[0.56rem] print:leading-[1.1]"
        >
          {ofWeek.map(([day, own]) => (
            <section key={day} aria-labelledby={`day-${day}`}>
              <h2 id={`day-${day}`} className="border-base-300 border-t pt-2 font-semibold print:pt-0.5">
                {longDay(own[0]!.part.from, timeZone)}
              </h2>
              <ul className="mt-1">
                {own.map(({ part, operation }) => {
                  const maker = makers.length > 1 && makers.find((one) => one.id === part.makerId)?.name
                  const lot = operation.lots[0]
                  const about = [...new Set(operation.lots.map((one) => one.pieceName ?? one.flowerName))]
                  return (
                    <li
                      key={`${part.operationId} ${part.part}`}
                      className={`grid grid-cols-[6rem_2.5rem_minmax(0,1fr)] items-baseline gap-x-3 py-0.5 text-sm print:grid-cols-[3.6rem_minmax(0,1fr)] print:gap-x-1 print:py-0 print:text-[0.56rem] print:leading-[1.1] ${part.makerId ? '' : 'quiet'}`}
                    >
                      <span className="tabular-nums">
                        {clock(part.from, timeZone)}–{clock(part.to, timeZone)}
                      </span>
                      <span className="print:hidden">
                        {operation.colour && <InlineSwatch colour={operation.colour} />}
                      </span>
                      <span>
                        <span className={operation.tickedAt ? 'line-through' : ''}>
                          {stepWords(t, operation, nameOf).what}
                        </span>
                        <span className="quiet">
                          {[
                            part.of > 1 && t('plan.part', { part: part.part, of: part.of }),
                            !part.makerId &&
                              dayOf(part.to, timeZone) !== day &&
                              t('plan.until', { day: longDay(part.to, timeZone) }),
                            operation.tickedAt && t('plan.done'),
                            about.slice(0, 4).join(', '),
                            lot?.pieceName && lot.flowerName,
                            maker,
                          ]
                            .filter(Boolean)
                            .map((words) => ` · ${words}`)}
                        </span>{' '}
                        {part.makerId && part.part === 1 && !operation.tickedAt && (
                          <PinEditor
                            operationId={part.operationId}
                            from={part.from}
                            pin={pins.find((one) => one.operationId === part.operationId)}
                            timeZone={timeZone}
                            what={stepWords(t, operation, nameOf).what}
                            onPin={(pin) => onPin(part.operationId, pin)}
                          />
                        )}
                        {lot?.pieceId && about.length === 1 && (
                          <Link className="act print:hidden" to={`/flowers/${lot.flowerId}/${lot.pieceId}/run-sheet`}>
                            {t('plan.toSheet')}
                            <span className="sr-only"> {lot.pieceName}</span>
                          </Link>
                        )}
                      </span>
                    </li>
                  )
                })}
              </ul>
            </section>
          ))}
        </div>
      ))}
    </div>
  )
}
