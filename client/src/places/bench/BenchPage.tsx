import { Bell } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'wouter'
import type { BenchAnswer, BenchTaskView, Operation } from '../../api/api'
import type { Ending } from '../../core/BenchDay'
import { benchDay } from '../../core/BenchDay'
import { Choice } from '../../shared/Choice'
import { FrameState } from '../../shared/FrameState'
import { NotThere } from '../../shared/Message'
import { newId } from '../../shared/newId'
import { PageTitle } from '../../shared/PageTitle'
import { useTranslation } from '../../shared/translation'
import { useKept } from '../../shared/useKept'
import { useKeys } from '../../shared/useKeys'
import type { NameOf } from '../../shared/words'
import { useTimeZone } from '../../shared/useTimeZone'
import { stepWords } from '../sheets/stepWords'
import { BenchBar } from './BenchBar'
import { leftWords, whenWords } from './clockWords'
import { Drying } from './Drying'
import { NowCard, aboutWords } from './NowCard'
import { TimerList } from './TimerList'
import { ToldList } from './ToldList'
import { canAskToNotify, useAlarms } from './useAlarms'
import { useBenchEvents, useBenchFacts, useNotes, useNow } from './useBench'
import { useWakeLock } from './useWakeLock'

/** The day at the bench: what to do now, what is next, what dries. */
export function BenchPage() {
  const { facts, queries } = useBenchFacts()
  if (!facts) return <NotThere of={queries} />
  return <Day facts={facts} />
}

const isId = (value: unknown): value is string => typeof value === 'string'

/** So long before it is too late to begin something, it rings. */
const closesWarningMs = 15 * 60_000

/** So much of what is next stands on the page. */
const nextShown = 4

function Day({ facts }: { facts: BenchAnswer }) {
  const { t } = useTranslation()
  const { makers } = facts
  const timeZone = useTimeZone(facts.timeZone)
  const hands = useKept('bench/hands', '', isId)
  const maker = makers.find((one) => one.id === hands.value) ?? null
  const { notes, isAway, told, read, readAgain, tell } = useNotes(maker?.name ?? '')
  const isHeard = useBenchEvents(readAgain)
  const now = useNow()
  useWakeLock()
  const [asked, setAsked] = useState(!canAskToNotify())
  const day = benchDay(facts, notes, now, maker?.id ?? null)
  // Out of its turn, because she says so.
  const [chosenId, choose] = useState<string | null>(null)
  const chosen = [...day.ready, ...day.later.map((one) => one.task)].find((one) => one.operation.id === chosenId)
  const task = chosen ?? day.ready[0]
  const nameOf: NameOf = (id) => facts.names[id] ?? id
  const known = new Map<string, Operation>(
    [...facts.recent, ...facts.resting, ...facts.tasks.map((one) => one.operation)].map((one) => [one.id, one]),
  )
  const whatOf = (id: string | null) => {
    const operation = id === null ? undefined : known.get(id)
    return operation ? stepWords(t, operation, nameOf).what : ''
  }
  const when = (at: number) => whenWords(t, at, now, timeZone)

  useAlarms(
    [
      ...[...day.closesAt].map(([id, at]) => ({
        key: `${id} closes`,
        words: t('benchDay.closesSoon', { what: whatOf(id), time: when(at) }),
        endsAt: at - closesWarningMs,
      })),
      ...day.timers.map(({ timer, endsAt }) => ({
        key: timer.id,
        words: timer.name || whatOf(timer.operationId),
        endsAt,
      })),
      ...[...day.endings].map(([id, { until }]) => ({ key: `${id} ${until}`, words: whatOf(id), endsAt: until })),
    ],
    now,
  )

  const last = day.lastDone
  const done = (one: BenchTaskView | undefined) => {
    if (one && one.driesMinutes === 0)
      tell({ kind: 'tick', operationId: one.operation.id, fingerprint: one.operation.fingerprint })
  }
  const dry = (one: BenchTaskView, isDry: boolean) => {
    const since = day.endings.get(one.operation.id)?.since ?? null
    tell({
      kind: 'touched',
      operationId: one.operation.id,
      fingerprint: one.operation.fingerprint,
      isDry,
      minutes: since === null ? null : Math.max(0, (now - since) / 60_000),
    })
  }
  const start = (operationId: string | null, name: string, seconds: number) =>
    tell({ kind: 'startTimer', timerId: newId(), operationId, name, seconds })
  const goOn = () => (task && task.driesMinutes > 0 ? dry(task, true) : done(task))
  const goBack = () => last && tell({ kind: 'takeBack', operationId: last })
  useKeys({ ' ': goOn, PageDown: goOn, PageUp: goBack })

  const closes = task && day.closesAt.get(task.operation.id)
  const away = isAway || !isHeard
  const coming = [
    ...day.ready.map((one) => ({ task: one, from: one.from ? Date.parse(one.from) : null, isReady: true })),
    ...day.later.map((one) => ({
      task: one.task,
      from: one.from ?? (one.task.from ? Date.parse(one.task.from) : null),
      isReady: false,
    })),
  ].filter((one) => one.task !== task)
  return (
    <main className="mx-auto grid w-full max-w-7xl grow content-start gap-x-10 gap-y-6 px-4 pt-4 pb-10 lg:grid-cols-[minmax(0,1fr)_22rem] lg:px-6">
      <FrameState>
        <span role="status" className={away || notes.length > 0 ? 'text-error font-semibold' : 'quiet'}>
          {away
            ? t(notes.length > 0 ? 'benchDay.away' : 'benchDay.awayNone', { count: notes.length })
            : t(notes.length > 0 ? 'benchDay.sending' : 'benchDay.together')}
        </span>
      </FrameState>
      <div>
        <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
          <PageTitle title={t('benchDay.title')} />
          {makers.length > 1 && (
            <Choice
              legend={t('benchDay.hands')}
              options={[
                { value: '', label: t('benchDay.anybody') },
                ...makers.map(({ id, name }) => ({ value: id, label: name })),
              ]}
              chosen={maker?.id ?? ''}
              onChoose={hands.set}
            />
          )}
        </div>
        <ToldList told={told} whatOf={whatOf} timeZone={timeZone} now={now} onRead={read} />
        {task ? (
          <NowCard
            key={task.operation.id}
            task={task}
            when={task.from ? when(Date.parse(task.from)) : undefined}
            closes={closes === undefined ? undefined : { time: when(closes), isPast: closes <= now }}
            due={endOf(day.endings.get(task.operation.id), when)}
            waits={waitOf(
              day.later.find((one) => one.task === task),
              when,
            )}
            nameOf={nameOf}
          />
        ) : (
          <p className="border-base-300 border-b pb-5 text-xl" role="status">
            {coming.length + day.drying.length > 0
              ? t('benchDay.nothingNow')
              : maker
                ? t('benchDay.nothingForHands', { name: maker.name })
                : t(facts.recent.length > 0 ? 'benchDay.allDone' : 'benchDay.nothingYet')}
          </p>
        )}
        <BenchBar
          task={task}
          back={last && whatOf(last)}
          onDone={() => done(task)}
          onDry={(isDry) => task && dry(task, isDry)}
          onTimer={(seconds) => task && start(task.operation.id, '', seconds)}
          onBack={goBack}
        />
        {coming.length + facts.more > 0 && (
          <section aria-labelledby="next" className="mt-6">
            <h2 id="next" className="text-lg font-semibold">
              {t('benchDay.next')}
            </h2>
            {!facts.isPlanned && coming.length > 0 && (
              <p className="quiet text-sm">
                {t('benchDay.noPlan')}{' '}
                <Link className="act" to="/plan">
                  {t('benchDay.toPlan')}
                </Link>
              </p>
            )}
            <ol>
              {coming.slice(0, nextShown).map(({ task: one, from, isReady }) => (
                <li key={one.operation.id} className="border-base-300 border-b py-2">
                  <span className="flex items-start justify-between gap-3">
                    <span>{stepWords(t, one.operation, nameOf).what}</span>
                    {one.driesMinutes === 0 && (
                      <button className="btn btn-sm" onClick={() => choose(one.operation.id)}>
                        {t('benchDay.take')}
                        <span className="sr-only">: {stepWords(t, one.operation, nameOf).what}</span>
                      </button>
                    )}
                  </span>
                  <span className="quiet block text-sm">
                    {[
                      aboutWords(one.operation, true),
                      from !== null ? t('benchDay.from', { when: when(from) }) : !isReady && t('benchDay.waitsForWork'),
                    ]
                      .filter(Boolean)
                      .join(' · ')}
                  </span>
                </li>
              ))}
            </ol>
            {coming.length + facts.more > nextShown && (
              <p className="quiet mt-1 text-sm">
                {t('benchDay.more', { count: coming.length + facts.more - nextShown })}
              </p>
            )}
          </section>
        )}
      </div>
      <div className="space-y-6">
        <TimerList
          timers={day.timers.map(({ timer, endsAt }) => ({
            id: timer.id,
            name: timer.name || whatOf(timer.operationId) || t('benchDay.own'),
            // Never more than it was set to, whichever clock is ahead.
            left: endsAt > now ? leftWords(t, Math.min(endsAt - now, 1000 * timer.seconds)) : null,
          }))}
          onStart={(minutes) => start(null, t('benchDay.ownMinutes', { count: minutes }), 60 * minutes)}
          onStop={(timerId) => tell({ kind: 'stopTimer', timerId })}
        />
        <Drying
          drying={day.drying}
          resting={day.resting}
          learned={facts.learned}
          now={now}
          nameOf={nameOf}
          whenOf={when}
          onTouched={(one) => dry(one, true)}
        />
        {!asked && (
          <button
            className="btn btn-sm"
            onClick={() => void Notification.requestPermission().then(() => setAsked(true))}
          >
            <Bell size={16} aria-hidden />
            {t('benchDay.sound')}
          </button>
        )}
        <p className="quiet text-sm">{t('benchDay.keys')}</p>
      </div>
    </main>
  )
}

/** Why something would not be its turn yet: until when it rests, or nothing where that is not known. */
const waitOf = (later: { from: number | null } | undefined, when: (at: number) => string) =>
  later && { until: later.from === null ? null : when(later.from) }

/** Since when what dries should be dry; nothing where nobody knows. */
const endOf = (ending: Ending | undefined, when: (at: number) => string) =>
  ending && ending.since !== null ? when(ending.until) : undefined
