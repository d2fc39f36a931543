import { Pin as PinIcon } from 'lucide-react'
import { useState } from 'react'
import type { Pin } from '../../api/api'
import { useTranslation } from '../../shared/translation'
import { clock } from '../../shared/clockTime'
import { dayOf, momentAt } from './planTimes'

/** Sets when something is begun: at a time, or on a day; the rest is planned round it. */
export function PinEditor({
  operationId,
  from,
  pin,
  timeZone,
  what,
  onPin,
}: {
  operationId: string
  /** When it is planned for. */
  from: string
  pin: Pin | undefined
  timeZone: string
  what: string
  onPin: (pin: Pin | null) => void
}) {
  const { t } = useTranslation()
  const [open, setOpen] = useState(false)
  const [day, setDay] = useState(pin?.day ?? dayOf(pin?.at ?? from, timeZone))
  const [time, setTime] = useState(clock(pin?.at ?? from, timeZone))
  if (!open)
    return (
      <button
        className={`min-h-6 cursor-pointer px-1 align-middle print:hidden ${pin ? 'act' : 'quiet hover:text-base-content'}`}
        aria-label={t(pin ? 'plan.pinnedOne' : 'plan.pin', { what })}
        title={t(pin ? 'plan.pinnedOne' : 'plan.pin', { what })}
        onClick={() => setOpen(true)}
      >
        <PinIcon size={14} aria-hidden className={pin ? 'fill-current' : ''} />
      </button>
    )
  const done = (next: Pin | null) => {
    onPin(next)
    setOpen(false)
  }
  return (
    <span className="flex flex-wrap items-center gap-2 py-1 print:hidden">
      <input
        type="date"
        className="input input-sm w-36"
        aria-label={t('plan.pinDay', { what })}
        value={day}
        onChange={(event) => setDay(event.target.value)}
      />
      <input
        type="time"
        className="input input-sm w-28"
        aria-label={t('plan.pinTime', { what })}
        value={time}
        onChange={(event) => setTime(event.target.value)}
      />
      <button
        className="btn btn-sm"
        disabled={!day || !time}
        onClick={() => done({ operationId, at: momentAt(day, time, timeZone), day: null })}
      >
        {t('plan.pinHere')}
      </button>
      <button className="btn btn-sm" disabled={!day} onClick={() => done({ operationId, at: null, day })}>
        {t('plan.pinToDay')}
      </button>
      {pin && (
        <button className="btn btn-sm btn-ghost" onClick={() => done(null)}>
          {t('plan.unpin')}
        </button>
      )}
      <button className="btn btn-sm btn-ghost" onClick={() => setOpen(false)}>
        {t('plan.leaveIt')}
      </button>
    </span>
  )
}
