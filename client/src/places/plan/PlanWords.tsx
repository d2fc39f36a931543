import type { Maker, WorkProposal } from '../../api/api'
import { dayAndTime } from '../../shared/clockTime'
import { Problem } from '../../shared/Message'
import { minutesWords } from '../../shared/minutesWords'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { stepWords } from '../sheets/stepWords'

/** What a plan comes to: how sure it is, when each commission is ready and must be begun, and what would help if it is late. */
export function PlanWords({
  found,
  timeZone,
  nameOf,
  onPlanWith,
}: {
  found: WorkProposal
  timeZone: string
  nameOf: NameOf
  onPlanWith: (makers: Maker[], dryingPieces: number | null) => void
}) {
  const { t } = useTranslation()
  const when = (at: string) => dayAndTime(t, at, timeZone)
  const stepOf = (id: string | null) => {
    const operation = found.operations.find((one) => one.id === id)
    return operation ? stepWords(t, operation, nameOf).what : ''
  }
  const before = (from: string | null, to: string | null) =>
    from && to ? minutesWords(t, (Date.parse(to) - Date.parse(from)) / 60_000) : ''
  return (
    <div className="max-w-3xl space-y-2 text-sm">
      <p role="status" className="font-semibold">
        {!found.plan
          ? t('plan.none')
          : found.lateMinutes > 0
            ? t('plan.late', { time: minutesWords(t, found.lateMinutes) })
            : t('plan.inTime')}{' '}
        {found.plan &&
          (found.status === 'best'
            ? t('plan.best')
            : t('plan.good', { time: before(found.finishBoundAt, found.finishAt) }))}
      </p>
      {found.obstacles.map((one) => (
        <Problem key={`${one.obstacle} ${one.operationId}`}>
          {t(`plan.obstacle.${one.obstacle}`, { step: stepOf(one.operationId), time: minutesWords(t, one.minutes) })}
        </Problem>
      ))}
      {found.windowsClosed && <Problem>{t('plan.windowsClosed')}</Problem>}
      <ul>
        {found.commissions.map(({ commission, endsAt, lateMinutes, lastBeginAt }) => (
          <li key={commission.id}>
            <span className="font-semibold">{commission.name}</span>:{' '}
            {endsAt ? t('plan.ready', { when: when(endsAt) }) : t('plan.nothingLeft')}
            {lateMinutes > 0 && ` ${t('plan.lateBy', { time: minutesWords(t, lateMinutes) })}`}
            {endsAt && (lastBeginAt ? ` ${t('plan.beginBy', { when: when(lastBeginAt) })}` : ` ${t('plan.tooLate')}`)}
          </li>
        ))}
      </ul>
      {found.lateMinutes > 0 && found.remedies.length === 0 && <p>{t('plan.nothingHelps')}</p>}
      {found.remedies.length > 0 && (
        <div>
          <p>{t('plan.whatIf')}</p>
          <ul className="list-disc pl-5">
            {found.remedies.map(({ remedy, lateMinutes, makers, dryingPieces }) => (
              <li key={remedy}>
                {t(`plan.remedy.${remedy}`)}:{' '}
                {lateMinutes === 0 ? t('plan.thenInTime') : t('plan.thenLate', { time: minutesWords(t, lateMinutes) })}{' '}
                <button className="act min-h-6 cursor-pointer" onClick={() => onPlanWith(makers, dryingPieces)}>
                  {t('plan.planWith')}
                  <span className="sr-only">: {t(`plan.remedy.${remedy}`)}</span>
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  )
}
