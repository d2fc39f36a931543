/** Something that is waited for: so long after it is done. */
export interface Wait {
  operationId: string
  minutes: number
}

/** One thing to do, in the order of the plan. */
export interface BenchTask {
  operation: { id: string; waitMinutes: number; minutes: number; tickedAt: string | null }
  makerId: string | null
  waits: Wait[]
  /** What only dries: so long after all that it waits for; 0 for the work of a hand. */
  driesMinutes: number
  window: Wait | null
}

/** What was done at the bench, as it is told to the server. */
export type BenchNote = { at: string; by: string } & (
  | { kind: 'tick'; operationId: string; fingerprint: string }
  | { kind: 'takeBack'; operationId: string }
  | { kind: 'startTimer'; timerId: string; operationId: string | null; name: string; seconds: number }
  | { kind: 'stopTimer'; timerId: string }
  | { kind: 'touched'; operationId: string; fingerprint: string; isDry: boolean; minutes: number | null }
)

export interface BenchTimer {
  id: string
  operationId: string | null
  name: string
  seconds: number
  startedAt: string
}

/** A day at the bench as the server knows it. */
export interface BenchFacts<T extends BenchTask> {
  tasks: T[]
  /** Of what is waited for; without a time where nobody ticked it. */
  done: { operationId: string; at: string | null }[]
  /** What was done last, the newest first. */
  recent: BenchTask['operation'][]
  /** What was done and may still have to rest. */
  resting: T['operation'][]
  timers: BenchTimer[]
  readings: { operationId: string; isDry: boolean; at: string }[]
}

export interface BenchDay<T extends BenchTask> {
  /** What can be done now; what closes soon first. */
  ready: T[]
  /** What dries, the soonest first. */
  drying: ({ task: T } & Ending)[]
  /** What is done and has to rest before anything may touch it. */
  resting: ({ operation: T['operation'] } & Ending)[]
  /** Of everything that dries or rests: it stays when it is over, so that it can be told. */
  endings: Map<string, Ending>
  /** What has to wait. @property from In ms; null while something before it is to do. */
  later: { task: T; from: number | null }[]
  /** When it is too late to begin a task, in ms. */
  closesAt: Map<string, number>
  timers: { timer: BenchTimer; endsAt: number }[]
  /** Id of what was done last and can be taken back; null if nothing was. */
  lastDone: string | null
}

/** Time that passes by itself, in ms. @property since Null if nobody knows. */
export interface Ending {
  since: number | null
  until: number
}

const minuteMs = 60_000
/** What was not dry yet is looked at again after so much of the time that it was to take, and not sooner than that. */
const againAfter = { share: 0.25, leastMinutes: 5 }
/** What closes within this is done first. */
const closesSoonMs = 60 * minuteMs

/**
 * What can be done now, what dries and what waits, from what the server knows and what it has not been told yet: so it is the same with a connection
 * and without one.
 * @param notes Not told yet, in order.
 * @param now In ms.
 * @param makerId Whose hands; null for anybody's.
 */
export function benchDay<T extends BenchTask>(
  facts: BenchFacts<T>,
  notes: readonly BenchNote[],
  now: number,
  makerId: string | null = null,
): BenchDay<T> {
  const doneAt = new Map(facts.done.map((one) => [one.operationId, one.at === null ? null : Date.parse(one.at)]))
  const timers = new Map(facts.timers.map((timer) => [timer.id, timer]))
  let done = facts.recent.map((one) => one.id).reverse()
  // What is told may be known already.
  const allBut = (id: string) => done.filter((one) => one !== id)
  const notDry = facts.readings.filter((one) => !one.isDry).map((one) => ({ ...one, at: Date.parse(one.at) }))
  for (const note of notes) {
    const at = Date.parse(note.at)
    if (note.kind === 'tick' || (note.kind === 'touched' && note.isDry)) {
      doneAt.set(note.operationId, at)
      done = [...allBut(note.operationId), note.operationId]
    } else if (note.kind === 'takeBack') {
      doneAt.delete(note.operationId)
      done = allBut(note.operationId)
    } else if (note.kind === 'touched') notDry.push({ operationId: note.operationId, isDry: false, at })
    else if (note.kind === 'stopTimer') timers.delete(note.timerId)
    else timers.set(note.timerId, { ...note, id: note.timerId, startedAt: note.at })
  }

  /** In ms; null while something is not done. */
  const begins = (task: T): number | null => {
    let at = 0
    for (const wait of task.waits) {
      const done = doneAt.get(wait.operationId)
      if (done === undefined) return null
      at = Math.max(at, (done ?? 0) + wait.minutes * minuteMs)
    }
    return at
  }
  const closesAt = new Map<string, number>()
  const day: BenchDay<T> = {
    ready: [],
    drying: [],
    resting: [],
    endings: new Map(),
    later: [],
    closesAt,
    timers: [],
    lastDone: done.at(-1) ?? null,
  }
  const takenBack = notes.flatMap((note) => (note.kind === 'takeBack' ? [note.operationId] : []))
  const rests = new Map([...facts.resting, ...facts.tasks.map((task) => task.operation)].map((one) => [one.id, one]))
  for (const operation of rests.values()) {
    const since = doneAt.get(operation.id) ?? (operation.tickedAt ? Date.parse(operation.tickedAt) : null)
    // What only dries was felt to be dry when it was done.
    if (since === null || operation.minutes <= 0 || operation.waitMinutes <= 0) continue
    if (!doneAt.has(operation.id) && takenBack.includes(operation.id)) continue
    const ending = { since, until: since + operation.waitMinutes * minuteMs }
    day.endings.set(operation.id, ending)
    if (ending.until > now) day.resting.push({ operation, ...ending })
  }
  for (const task of facts.tasks) {
    if (doneAt.has(task.operation.id) || (makerId && task.makerId && task.makerId !== makerId)) continue
    const opened = task.window && doneAt.get(task.window.operationId)
    if (task.window && opened) closesAt.set(task.operation.id, opened + task.window.minutes * minuteMs)
    const from = begins(task)
    if (from === null) day.later.push({ task, from })
    else if (task.driesMinutes > 0) {
      const again = Math.max(againAfter.leastMinutes, againAfter.share * task.driesMinutes) * minuteMs
      const until = Math.max(
        from + task.driesMinutes * minuteMs,
        ...notDry.filter((one) => one.operationId === task.operation.id).map((one) => one.at + again),
      )
      const ending = { since: from || null, until }
      day.endings.set(task.operation.id, ending)
      if (until > now) day.drying.push({ task, ...ending })
      else day.ready.push(task)
    } else if (from > now) day.later.push({ task, from })
    else day.ready.push(task)
  }

  const soon = (task: T) => {
    const closes = closesAt.get(task.operation.id)
    return closes !== undefined && closes > now && closes - now < closesSoonMs ? closes : Infinity
  }
  // Sorting keeps the order of what is equal.
  day.ready.sort((one, other) => (soon(one) === soon(other) ? 0 : soon(one) - soon(other)))
  day.drying.sort((one, other) => one.until - other.until)
  day.timers = [...timers.values()]
    .map((timer) => ({ timer, endsAt: Date.parse(timer.startedAt) + 1000 * timer.seconds }))
    .sort((one, other) => one.endsAt - other.endsAt)
  return day
}
