import type { Plan } from '../api/api'
import { hasFields } from './Kept'
import type { Kept } from './Kept'

/** A draft and what it was made from. */
export interface Draft {
  base: { plan: Plan; version: number }
  plan: Plan
}

/** Which window this is, and which others are open. */
export interface Tabs {
  /** Outlives a reload of the tab. */
  readonly own: string
  open(): Promise<Set<string>>
}

/**
 * Unsaved plans, kept in the browser so that a failed save, a reload or a crash loses nothing. Each tab keeps its own, so that two
 * tabs on one piece do not write over each other's.
 */
export class Drafts {
  constructor(
    private readonly kept: Kept,
    private readonly tabs: Tabs,
  ) {}

  keep(pieceId: string, draft: Draft) {
    this.kept.write(this.nameOf(pieceId), draft)
  }

  drop(pieceId: string) {
    this.kept.forget(this.nameOf(pieceId))
  }

  /** This tab's draft of a piece, else one that a closed tab left behind; that one becomes this tab's. */
  async find(pieceId: string): Promise<Draft | null> {
    const own = this.read(this.nameOf(pieceId))
    if (own) return own
    const open = await this.tabs.open()
    for (const name of this.kept.names(`draft/${pieceId}/`)) {
      if (open.has(name.slice(name.lastIndexOf('/') + 1))) continue
      const orphan = this.read(name)
      this.kept.forget(name)
      if (!orphan) continue
      this.keep(pieceId, orphan)
      return orphan
    }
    return null
  }

  private nameOf(pieceId: string) {
    return `draft/${pieceId}/${this.tabs.own}`
  }

  private read(name: string): Draft | null {
    const draft = this.kept.read(name, isDraft)
    return draft && asNow(draft)
  }
}

// What comes out of storage may be from an older build. Only its frame is checked here: the server checks every plan.
const isPlan = (value: unknown): value is Plan =>
  hasFields(value, 'targets', 'ground', 'paste', 'coats') &&
  hasFields(value.targets) &&
  Object.values(value.targets).every((target) => hasFields(target)) &&
  hasFields(value.paste, 'doses') &&
  Array.isArray(value.paste.doses) &&
  Array.isArray(value.coats) &&
  value.coats.every((coat) => hasFields(coat, 'kind', 'id'))

const isDraft = (value: unknown): value is Draft =>
  hasFields(value, 'base', 'plan') &&
  isPlan(value.plan) &&
  hasFields(value.base, 'plan', 'version') &&
  isPlan(value.base.plan) &&
  typeof value.base.version === 'number'

/** A draft of an older build is not to be lost for that: a target was a colour alone, and a part of a mix named a dust. */
function asNow(draft: Draft): Draft {
  for (const plan of [draft.base.plan, draft.plan]) {
    const { targets, coats } = plan as unknown as OldPlan
    for (const [zone, target] of Object.entries(targets)) {
      if (!('colour' in target)) targets[zone] = { colour: target, spread: 2, finish: 'matt' }
    }
    for (const { mix } of coats) {
      for (const part of mix ?? []) part.materialId ??= part.dustId
    }
  }
  return draft
}

interface OldPlan {
  targets: Record<string, object>
  coats: { mix?: { dustId?: string; materialId?: string }[] }[]
}
