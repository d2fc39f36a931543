import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Maker, Pin, WorkPlanInForce, WorkProposal } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { aside, queries } from '../../api/queries'
import { hasFields } from '../../core/Kept'
import { isClash } from '../../core/RequestFailed'
import { ClashChoice } from '../../shared/ClashChoice'
import { Failure, NotThere } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { rounded } from '../../shared/numbers'
import { PageTitle } from '../../shared/PageTitle'
import { useTranslation } from '../../shared/translation'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'
import { nameFinder } from '../../shared/words'
import { useTimeZone } from '../../shared/useTimeZone'
import { useLongWork } from '../mixing/useLongWork'
import { WorkState } from '../mixing/WorkState'
import { Beside } from './Beside'
import { CalendarAddress } from './CalendarAddress'
import { HoursEditor } from './HoursEditor'
import { PlanList } from './PlanList'
import { PlanWords } from './PlanWords'
import type { TimedPart } from './planTimes'
import { Timeline } from './Timeline'

/** The work in time: who works when, a plan that is proposed, and the plan in force. */
export function PlanPage() {
  const kept = useQuery(queries.plan())
  if (!kept.data) return <NotThere of={[kept]} />
  return <OpenPlan key={kept.data.version} kept={kept.data} />
}

const arePins = (value: unknown): value is Pin[] =>
  Array.isArray(value) && value.every((one) => hasFields(one, 'operationId', 'at', 'day'))

const areMakers = (value: unknown): value is Maker[] =>
  Array.isArray(value) && value.every((one) => hasFields(one, 'id', 'name', 'hours', 'daysOff'))

/** Pieces that have room to dry at once; null for as many as there are. */
interface Room {
  pieces: number | null
}

const isRoom = (value: unknown): value is Room => hasFields(value, 'pieces')

function OpenPlan({ kept }: { kept: WorkPlanInForce }) {
  const { t } = useTranslation()
  const timeZone = useTimeZone(kept.timeZone)
  const client = useQueryClient()
  const nameOf = nameFinder(useQuery(queries.materials()).data ?? [])
  const hours = useKept<Maker[]>(`plan-hours/${kept.version}`, kept.makers, areMakers)
  const room = useKept<Room>(`plan-room/${kept.version}`, { pieces: kept.dryingPieces }, isRoom)
  const pins = useKept<Pin[]>(`plan-pins/${kept.version}`, kept.plan?.pins ?? [], arePins)
  const work = useLongWork<WorkProposal>('/api/plan/proposals')
  // Every plan that was found stays, to be laid beside the others.
  const [all, setAll] = useState<WorkProposal[]>([])
  const [shownAt, setShownAt] = useState(0)
  if (work.answer && !all.includes(work.answer)) {
    setAll([...all, work.answer])
    setShownAt((kept.plan ? 1 : 0) + all.length)
  }
  const beside = [
    ...(kept.plan
      ? [{ name: t('plan.besideInForce'), plan: kept.plan, lateMinutes: kept.lateMinutes, found: null }]
      : []),
    ...all.map((found, i) => ({
      name: t('plan.besideNew', { number: i + 1 }),
      plan: found.plan,
      lateMinutes: found.lateMinutes,
      found,
    })),
  ]
  const found = beside[shownAt]?.found ?? null
  const plan = (makers: Maker[], dryingPieces: number | null) =>
    work.start({ makers, commissionIds: [], pins: pins.value, dryingPieces })
  const pin = (operationId: string, next: Pin | null) =>
    pins.set((was) => [...was.filter((one) => one.operationId !== operationId), ...(next ? [next] : [])])
  const save = useMutation({
    mutationFn: ({ plan, version }: { plan: WorkPlanInForce['plan']; version: number }) =>
      answer(
        api.PUT('/api/plan', {
          headers: madeFrom(version),
          body: { makers: hours.value, dryingPieces: room.value.pieces, plan },
        }),
      ),
    onSuccess: async () => {
      hours.drop(hours.value)
      room.drop(room.value)
      pins.drop(pins.value)
      // Every sheet and the bench say when.
      await client.invalidateQueries()
    },
  })
  const problemAt = useProblems([work.error, save.error])
  const shown = found?.plan ?? kept.plan
  const operations = new Map((found?.plan ? found : kept).operations.map((one) => [one.id, one]))
  const parts: TimedPart[] = (shown?.parts ?? []).flatMap((part) => {
    const operation = operations.get(part.operationId)
    return operation ? [{ part, operation }] : []
  })
  const makers = hours.value
  return (
    <main className="w-full px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('plan.title')} />
      <p className="quiet mt-1 max-w-prose text-sm print:hidden">
        {t('plan.help')}{' '}
        {kept.pace.factor === 1
          ? t('plan.houseTimes')
          : t('plan.ownTimes', { times: rounded(kept.pace.factor, 2), count: kept.pace.count })}
      </p>
      <details className="relative mt-3 print:hidden">
        <summary className="act min-h-6 text-sm">
          {t('plan.hours', { count: makers.length, names: makers.map((maker) => maker.name).join(', ') })}
        </summary>
        <div className="mt-2">
          <HoursEditor makers={makers} problemAt={problemAt} onChange={hours.set} />
          <div className="mt-4">
            <NumberField
              label={t('plan.dryingPieces')}
              value={room.value.pieces}
              whole
              problem={problemAt('dryingPieces')}
              onChange={(pieces) => room.set({ pieces })}
              onClear={() => room.set({ pieces: null })}
            />
            <p className="quiet mt-1 max-w-prose text-xs">{t('plan.dryingPiecesHelp')}</p>
          </div>
          {(hours.isChanged || room.isChanged) && (
            <button
              className="btn btn-sm mt-3"
              disabled={save.isPending}
              onClick={() => save.mutate({ plan: kept.plan, version: kept.version })}
            >
              {t('plan.keepHours')}
            </button>
          )}
        </div>
      </details>
      <div className="my-4 flex flex-wrap items-center gap-3 print:hidden">
        <button
          className="btn btn-sm btn-primary"
          disabled={work.running}
          onClick={() => plan(makers, room.value.pieces)}
        >
          {t(kept.plan ? 'plan.again' : 'plan.find')}
        </button>
        {found?.plan && (
          <button
            className="btn btn-sm"
            disabled={save.isPending}
            onClick={() => save.mutate({ plan: found.plan, version: kept.version })}
          >
            {t('plan.putInForce')}
          </button>
        )}
        {kept.plan && (
          <button className="btn btn-sm btn-ghost" onClick={() => window.print()}>
            {t('plan.print')}
          </button>
        )}
        <WorkState work={work} nameOf={nameOf} />
      </div>
      {isClash(save.error) ? (
        <ClashChoice
          onTheirs={() => void client.invalidateQueries({ queryKey: queries.plan().queryKey })}
          onMine={() =>
            void client
              .fetchQuery(aside(queries.plan()))
              .then((now) => save.mutate({ plan: found?.plan ?? now.plan, version: now.version }))
          }
        />
      ) : (
        <Failure error={save.error} nameOf={nameOf} />
      )}
      {found ? (
        <PlanWords
          found={found}
          timeZone={timeZone}
          nameOf={nameOf}
          onPlanWith={(makers, pieces) => {
            hours.set(makers)
            room.set({ pieces })
            plan(makers, pieces)
          }}
        />
      ) : (
        <p role="status" className="text-sm">
          {t(kept.plan ? (kept.isOld ? 'plan.isOld' : 'plan.inForce') : 'plan.noneYet')}
        </p>
      )}
      {beside.length > 1 && (
        <Beside
          plans={beside.flatMap(({ plan, ...one }) => (plan ? [{ ...one, plan }] : []))}
          inForce={kept.plan}
          shown={shownAt}
          timeZone={timeZone}
          onShow={setShownAt}
        />
      )}
      {pins.value.length > 0 && (
        <p className="mt-2 text-sm print:hidden">
          {t('plan.pins', { count: pins.value.length })}{' '}
          <button className="act min-h-6 cursor-pointer" onClick={() => pins.set([])}>
            {t('plan.unpinAll')}
          </button>
        </p>
      )}
      <CalendarAddress />
      {parts.length > 0 && (
        <div className="mt-5 space-y-5">
          <div className="print:hidden">
            <Timeline
              parts={parts}
              makers={makers}
              commissions={kept.commissions}
              timeZone={timeZone}
              onMove={(operationId, at) => pin(operationId, { operationId, at, day: null })}
            />
            <p className="quiet mt-1 text-xs">{t('plan.dragHelp')}</p>
          </div>
          <PlanList parts={parts} makers={makers} pins={pins.value} timeZone={timeZone} nameOf={nameOf} onPin={pin} />
        </div>
      )}
    </main>
  )
}
