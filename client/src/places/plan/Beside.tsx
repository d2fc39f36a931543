import type { WorkPlan } from '../../api/api'
import { minutesWords } from '../../shared/minutesWords'
import { useTranslation } from '../../shared/translation'
import { dayAndTime } from '../../shared/clockTime'
import { dayOf } from './planTimes'

/** A plan to compare with others. */
export interface PlanBeside {
  name: string
  plan: WorkPlan
  lateMinutes: number
}

/** Plans laid beside each other before one is put in force. */
export function Beside({
  plans,
  inForce,
  shown,
  timeZone,
  onShow,
}: {
  plans: PlanBeside[]
  inForce: WorkPlan | null
  shown: number
  timeZone: string
  onShow: (at: number) => void
}) {
  const { t } = useTranslation()
  const begun = new Map(
    (inForce?.parts ?? []).filter(({ part }) => part === 1).map((one) => [one.operationId, one.from]),
  )
  return (
    <div className="relative my-3 overflow-x-auto print:hidden">
      <table className="table-sm table w-auto">
        <caption className="sr-only">{t('plan.beside')}</caption>
        <thead>
          <tr>
            <td />
            <th scope="col">{t('plan.endsColumn')}</th>
            <th scope="col">{t('plan.lateColumn')}</th>
            <th scope="col">{t('plan.daysColumn')}</th>
            {inForce && <th scope="col">{t('plan.movedColumn')}</th>}
            <td />
          </tr>
        </thead>
        <tbody>
          {plans.map(({ name, plan, lateMinutes }, at) => {
            const ends = plan.parts.map((part) => part.to).sort((one, other) => Date.parse(one) - Date.parse(other))
            const end = ends.at(-1)
            const days = new Set(
              plan.parts.filter((part) => part.makerId !== null).map((part) => dayOf(part.from, timeZone)),
            )
            const moved = plan.parts.filter(
              (part) =>
                part.part === 1 &&
                begun.has(part.operationId) &&
                Date.parse(begun.get(part.operationId)!) !== Date.parse(part.from),
            ).length
            return (
              <tr key={name}>
                <th scope="row" className="font-semibold">
                  {name}
                </th>
                <td>{end && dayAndTime(t, end, timeZone)}</td>
                <td>{lateMinutes > 0 ? minutesWords(t, lateMinutes) : t('plan.notLate')}</td>
                <td>{days.size}</td>
                {inForce && <td>{plan === inForce ? '' : t('plan.moved', { count: moved })}</td>}
                <td>
                  {at === shown ? (
                    <span className="quiet">{t('plan.shown')}</span>
                  ) : (
                    <button className="btn btn-sm" onClick={() => onShow(at)}>
                      {t('plan.show')}
                      <span className="sr-only"> {name}</span>
                    </button>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </div>
  )
}
