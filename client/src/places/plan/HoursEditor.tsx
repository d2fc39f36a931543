import { Plus, X } from 'lucide-react'
import type { DayOfWeek, Maker } from '../../api/api'
import { Problem } from '../../shared/Message'
import { newId } from '../../shared/newId'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'
import { moment } from '../../shared/numbers'

const week: DayOfWeek[] = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday']

/** A day of the week as the language names it: the third of June 2024 was a Monday. */
const dayName = (day: DayOfWeek) =>
  moment(new Date(Date.UTC(2024, 5, 3 + week.indexOf(day), 12)), { weekday: 'long', timeZone: 'UTC' })

/** Who works when: a usual week for each maker, and days off. */
export function HoursEditor({
  makers,
  problemAt,
  onChange,
}: {
  makers: Maker[]
  problemAt: (path: string) => string | undefined
  onChange: (makers: Maker[]) => void
}) {
  const { t } = useTranslation()
  const set = (at: number, part: Partial<Maker>) =>
    onChange(makers.map((maker, i) => (i === at ? { ...maker, ...part } : maker)))
  return (
    <div className="space-y-6">
      {problemAt('makers') && <Problem>{problemAt('makers')}</Problem>}
      {makers.map((maker, at) => (
        <fieldset key={maker.id} className="min-w-0">
          <legend className="sr-only">{t('plan.hoursOf', { name: maker.name })}</legend>
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              label={t('plan.maker')}
              value={maker.name}
              problem={problemAt(`makers[${at}].name`)}
              className="w-56"
              onChange={(name) => set(at, { name })}
            />
            {makers.length > 1 && (
              <button
                type="button"
                className="btn btn-ghost btn-sm"
                onClick={() => onChange(makers.filter((_, i) => i !== at))}
              >
                <X size={15} aria-hidden />
                {t('plan.removeMaker', { name: maker.name })}
              </button>
            )}
          </div>
          <ul className="mt-2 space-y-1">
            {week.map((day) => (
              <Day
                key={day}
                day={day}
                maker={maker}
                problemAt={(i) => problemAt(`makers[${at}].hours[${i}].to`)}
                onChange={(hours) => set(at, { hours })}
              />
            ))}
          </ul>
          <DaysOff daysOff={maker.daysOff} onChange={(daysOff) => set(at, { daysOff })} />
        </fieldset>
      ))}
      <button
        type="button"
        className="btn btn-sm"
        onClick={() =>
          onChange([...makers, { id: newId(), name: t('plan.helper'), hours: makers[0]?.hours ?? [], daysOff: [] }])
        }
      >
        <Plus size={15} aria-hidden />
        {t('plan.addMaker')}
      </button>
    </div>
  )
}

function Day({
  day,
  maker,
  problemAt,
  onChange,
}: {
  day: DayOfWeek
  maker: Maker
  problemAt: (at: number) => string | undefined
  onChange: (hours: Maker['hours']) => void
}) {
  const { t } = useTranslation()
  const own = maker.hours.map((hours, at) => ({ hours, at })).filter((one) => one.hours.day === day)
  const change = (at: number, part: Partial<Maker['hours'][number]>) =>
    onChange(maker.hours.map((hours, i) => (i === at ? { ...hours, ...part } : hours)))
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      <span className="w-24">{dayName(day)}</span>
      {own.length === 0 && <span className="quiet">{t('plan.free')}</span>}
      {own.map(({ hours, at }) => (
        <span key={at} className="flex flex-wrap items-center gap-1">
          {(['from', 'to'] as const).map((end) => (
            <input
              key={end}
              type="time"
              className="input input-sm w-28"
              aria-label={t(`plan.${end}`, { day: dayName(day), name: maker.name })}
              value={hours[end].slice(0, 5)}
              onChange={(event) => event.target.value && change(at, { [end]: `${event.target.value}:00` })}
            />
          ))}
          <button
            type="button"
            className="quiet hover:text-base-content min-h-6 min-w-6 cursor-pointer p-1"
            aria-label={t('plan.removeHours', { day: dayName(day) })}
            onClick={() => onChange(maker.hours.filter((_, i) => i !== at))}
          >
            <X size={14} aria-hidden />
          </button>
          {problemAt(at) && <Problem>{problemAt(at)}</Problem>}
        </span>
      ))}
      <button
        type="button"
        className="act min-h-6"
        onClick={() => {
          const last = own.at(-1)?.hours.to
          onChange([
            ...maker.hours,
            last && last < '22:00' ? { day, from: last, to: '22:00:00' } : { day, from: '09:00:00', to: '12:00:00' },
          ])
        }}
      >
        {t('plan.addHours')}
        <span className="sr-only"> {dayName(day)}</span>
      </button>
    </li>
  )
}

function DaysOff({ daysOff, onChange }: { daysOff: string[]; onChange: (daysOff: string[]) => void }) {
  const { t } = useTranslation()
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      <span>{t('plan.daysOff')}</span>
      {[...daysOff].sort().map((day) => (
        <span key={day} className="flex items-center">
          {moment(`${day}T12:00:00Z`, { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' })}
          <button
            type="button"
            className="quiet hover:text-base-content min-h-6 min-w-6 cursor-pointer p-1"
            aria-label={t('plan.removeDayOff', { day })}
            onClick={() => onChange(daysOff.filter((one) => one !== day))}
          >
            <X size={14} aria-hidden />
          </button>
        </span>
      ))}
      <input
        type="date"
        className="input input-sm w-40"
        aria-label={t('plan.addDayOff')}
        value=""
        onChange={(event) => {
          const day = event.target.value
          if (day && !daysOff.includes(day)) onChange([...daysOff, day])
        }}
      />
    </div>
  )
}
