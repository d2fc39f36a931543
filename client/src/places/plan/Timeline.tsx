import { useState } from 'react'
import type { CommissionView, Maker } from '../../api/api'
import { useTranslation } from '../../shared/translation'
import type { TimedPart } from './planTimes'
import { shortDay } from '../../shared/clockTime'
import { dayOf, daysOf, minuteOf, nextDay } from './planTimes'

const dayPx = 220
const rowPx = 26
const dryPx = 7

/**
 * Days across; a row for each pair of hands, below them what dries, each in the colour of what it takes. The list says the same in words, so this is for the
 * eye alone.
 */
export function Timeline({
  parts,
  makers,
  commissions,
  timeZone,
  onMove,
}: {
  parts: TimedPart[]
  makers: Maker[]
  commissions: CommissionView[]
  timeZone: string
  /** A bar was drawn to another time. */
  onMove: (operationId: string, at: string) => void
}) {
  const { t } = useTranslation()
  const [drag, setDrag] = useState<{ id: string; fromX: number; px: number } | null>(null)
  const days = daysOf(
    parts.map(({ part }) => part),
    timeZone,
  )
  const xOf = (at: string) => dayPx * (days.indexOf(dayOf(at, timeZone)) + minuteOf(at, timeZone) / 1440)
  const drying = lanes(parts.filter(({ part }) => part.makerId === null))
  const height = 24 + makers.length * rowPx + 10 + drying.length * dryPx + 8
  const dues = commissions
    .map((commission) => ({ commission, at: days.indexOf(nextDay(commission.readyOn)) }))
    .filter(({ at }) => at >= 0)
  return (
    <div aria-hidden className="surround overflow-x-auto print:hidden">
      <div className="relative" style={{ width: 96 + dayPx * days.length, height }}>
        {days.map((day, i) => (
          <span
            key={day}
            className="border-surround-ink/25 absolute top-0 h-full border-l pl-1 text-xs"
            style={{ left: 96 + dayPx * i, width: dayPx }}
          >
            {shortDay(`${day}T12:00:00Z`, 'UTC')}
          </span>
        ))}
        {makers.map((maker, row) => (
          <span key={maker.id}>
            <span className="absolute left-1 w-22 truncate text-xs" style={{ top: 27 + row * rowPx }}>
              {maker.name}
            </span>
            {parts
              .filter(({ part }) => part.makerId === maker.id)
              .map(({ part, operation }) => (
                <span
                  key={`${part.operationId} ${part.part}`}
                  className={`absolute ${part.part === 1 ? 'cursor-grab touch-none' : ''}`}
                  onPointerDown={(event) => {
                    if (part.part > 1) return
                    event.currentTarget.setPointerCapture(event.pointerId)
                    setDrag({ id: part.operationId, fromX: event.clientX, px: 0 })
                  }}
                  onPointerMove={(event) => drag && setDrag({ ...drag, px: event.clientX - drag.fromX })}
                  onPointerCancel={() => setDrag(null)}
                  onPointerUp={() => {
                    if (drag && Math.abs(drag.px) > 3) onMove(part.operationId, moved(part.from, drag.px))
                    setDrag(null)
                  }}
                  style={{
                    transform: drag?.id === part.operationId ? `translateX(${drag.px}px)` : undefined,
                    left: 96 + xOf(part.from),
                    width: Math.max(1, xOf(part.to) - xOf(part.from) - 0.5),
                    top: 24 + row * rowPx,
                    height: rowPx - 6,
                    backgroundColor: operation.colour?.hex ?? '#e9e7e2',
                  }}
                />
              ))}
          </span>
        ))}
        <span className="absolute left-1 text-xs" style={{ top: 28 + makers.length * rowPx }}>
          {t('plan.rack')}
        </span>
        {drying.map((lane, row) =>
          lane.map(({ part }) => (
            <span
              key={`${part.operationId} ${part.part}`}
              className="absolute bg-[#f4f2ec]"
              style={{
                left: 96 + xOf(part.from),
                width: Math.max(2, xOf(part.to) - xOf(part.from)),
                top: 32 + makers.length * rowPx + row * dryPx,
                height: dryPx - 2,
              }}
            />
          )),
        )}
        {dues.map(({ commission, at }) => (
          <span
            key={commission.id}
            className="border-surround-ink absolute top-4 border-l-2 border-dashed pl-1 text-xs"
            style={{ left: 96 + dayPx * at, height: height - 16 }}
          >
            {commission.name}
          </span>
        ))}
      </div>
    </div>
  )
}

/** So far along, to a quarter of an hour. */
const moved = (from: string, px: number) =>
  new Date(quarterMs * Math.round((Date.parse(from) + (px / dayPx) * 96 * quarterMs) / quarterMs)).toISOString()

const quarterMs = 15 * 60_000

/** Bars that do not overlap share a lane. */
function lanes(parts: TimedPart[]): TimedPart[][] {
  const found: TimedPart[][] = []
  for (const one of parts) {
    const lane = found.find((other) => other.at(-1)!.part.to <= one.part.from)
    if (lane) lane.push(one)
    else found.push([one])
  }
  return found
}
