import type { Plan } from '../../api/api'
import { partsOfPlan, same } from './planEdits'

/** A slide or a number being typed is one step, not one for each figure; another place in the plan is another step. */
const oneStepMs = 700
const mostSteps = 100

/** What a plan was before each edit, and what it was before each step back. */
export class PlanHistory {
  private past: Plan[] = []
  private future: Plan[] = []
  private lastEditAt = -Infinity
  private lastPlace: string | null = null

  /** @param was The plan before an edit. @param next The plan after it. @param now In ms, from any start. */
  keep(was: Plan, next: Plan, now: number) {
    const place = placeOf(was, next)
    const goesOn = place !== null && place === this.lastPlace && now - this.lastEditAt <= oneStepMs
    if (!goesOn || this.past.length === 0) this.past = [...this.past, was].slice(-mostSteps)
    this.lastEditAt = now
    this.lastPlace = place
    this.future = []
  }

  back(now: Plan): Plan | null {
    const was = this.past.pop()
    if (!was) return null
    this.future.push(now)
    this.lastEditAt = -Infinity
    return was
  }

  forward(now: Plan): Plan | null {
    const next = this.future.pop()
    if (!next) return null
    this.past.push(now)
    return next
  }

  /** What somebody else has saved meanwhile is not to be undone from here. */
  forget() {
    this.past = []
    this.future = []
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
