import type { Plan } from '../api/api'
import { hasFields } from './Kept'
import type { Kept } from './Kept'
import { partsOfPlan, same } from './planMerge'

/** A slide or a number being typed is one step, not one for each figure; another place in the plan is another step. */
const oneStepMs = 700
const mostSteps = 100

interface Steps {
  /** What the plan is with these steps behind and before it; of another plan they are not the history. */
  now: Plan
  past: Plan[]
  future: Plan[]
}

const isSteps = (value: unknown): value is Steps =>
  hasFields(value, 'now', 'past', 'future') &&
  Array.isArray((value as Steps).past) &&
  Array.isArray((value as Steps).future)

/** What a plan was before each edit, and what it was before each step back. It outlives a reload of its tab. */
export class PlanHistory {
  private past: Plan[] = []
  private future: Plan[] = []
  private lastEditAt = -Infinity
  private lastPlace: string | null = null

  /** @param name Of the piece, among what this tab keeps. */
  constructor(
    private readonly kept: Kept,
    private readonly name: string,
  ) {}

  /** Goes on from the steps of the page before a reload, if they led to this plan. */
  takeUp(now: Plan) {
    const kept = this.kept.read(this.name, isSteps)
    if (!kept || !same(kept.now, now)) return
    this.past = kept.past
    this.future = kept.future
  }

  private store(now: Plan) {
    // The oldest steps go first where the browser has no more room.
    for (let most = mostSteps; most > 1; most = Math.floor(most / 2)) {
      const steps: Steps = { now, past: this.past.slice(-most), future: this.future.slice(-most) }
      if (this.kept.write(this.name, steps)) return
    }
  }

  /** @param was The plan before an edit. @param next The plan after it. @param now In ms, from any start. */
  keep(was: Plan, next: Plan, now: number) {
    const place = placeOf(was, next)
    const goesOn = place !== null && place === this.lastPlace && now - this.lastEditAt <= oneStepMs
    if (!goesOn || this.past.length === 0) this.past = [...this.past, was].slice(-mostSteps)
    this.lastEditAt = now
    this.lastPlace = place
    this.future = []
    this.store(next)
  }

  back(now: Plan): Plan | null {
    const was = this.past.pop()
    if (!was) return null
    this.future.push(now)
    this.lastEditAt = -Infinity
    this.store(was)
    return was
  }

  forward(now: Plan): Plan | null {
    const next = this.future.pop()
    if (!next) return null
    this.past.push(now)
    this.store(next)
    return next
  }

  /** What somebody else has saved meanwhile is not to be undone from here. */
  forget() {
    this.past = []
    this.future = []
    this.kept.forget(this.name)
  }

  get canGoBack() {
    return this.past.length > 0
  }

  get canGoForward() {
    return this.future.length > 0
  }
}

/** Where two plans differ; null where coats have come, gone or moved, which is always a step of its own. */
function placeOf(was: Plan, next: Plan): string | null {
  const ids = (plan: Plan) => plan.coats.map((coat) => coat.id).join()
  if (ids(was) !== ids(next)) return null
  const parts = partsOfPlan.filter((part) => !same(was[part], next[part]))
  const coats = next.coats.filter((coat, i) => !same(coat, was.coats[i])).map((coat) => coat.id)
  return [...parts, ...coats].join()
}
