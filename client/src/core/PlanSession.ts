import type { ApiProblemCode, FieldProblem, LightKind, PieceView, Plan, Preview } from '../api/api'
import type { Drafts } from './Drafts'
import type { PlanHistory } from './PlanHistory'
import type { PlanPart } from './planMerge'
import { clashes, merge, same } from './planMerge'
import { RequestFailed } from './RequestFailed'
import type { Timers } from './Timers'

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'saving' }
  /** Nobody answers; the change is kept here and sent again. */
  | { kind: 'waiting'; code: ApiProblemCode }
  /** The plan cannot be as it is; `problems` say why. */
  | { kind: 'refused' }
  | { kind: 'clash'; parts: PlanPart[] }

export interface Session {
  piece: PieceView
  plan: Plan
  save: SaveState
  /** What is wrong with the plan, by field; empty if nothing is. */
  problems: FieldProblem[]
  /** Of the newest plan that was possible; null until the first one is there. */
  preview: Preview | null
  /** That the preview is of. */
  previewOf: Plan | null
  /** The preview belongs to an older plan because nobody answers. */
  previewIsOld: boolean
  /** Changes from elsewhere that were taken in without a clash. */
  mergedFromElsewhere: boolean
  canUndo: boolean
  canRedo: boolean
  viewing: Viewing
}

/** How the pictures are looked at; nothing of the plan. */
export interface Viewing {
  light: LightKind
  /** Coats that lie on it; null for all. */
  shown: number | null
}

interface Base {
  plan: Plan
  version: number
}

/** What a session asks of the server. Each throws a {@link RequestFailed} if it cannot be done. */
export interface PlanServer {
  read(pieceId: string): Promise<Base & { piece: PieceView }>
  /** @param version That the plan was made from. @returns That it is now. */
  save(pieceId: string, plan: Plan, version: number): Promise<{ version: number }>
  preview(pieceId: string, plan: Plan, viewing: Viewing): Promise<Preview>
}

/** What a session works with. */
export interface Surroundings {
  server: PlanServer
  drafts: Drafts
  history: PlanHistory
  timers: Timers
}

const quietBeforeSaveMs = 400
const firstRetryMs = 1_000
const longestRetryMs = 10_000

/**
 * One open piece: its plan as edited, kept as a draft at once, previewed at once, and saved after a short quiet. A lost
 * connection holds everything back and sends it later; a change from elsewhere is taken in where it does not clash, and asked
 * about where it does.
 */
export class PlanSession {
  private state: Session
  private base: Base
  private theirs: Base | null = null
  private listeners = new Set<() => void>()
  private callOffSave = () => {}
  private retryMs = firstRetryMs
  private isSaving = false
  private isPreviewing = false
  private isClosed = false

  static async open(pieceId: string, around: Surroundings): Promise<PlanSession> {
    const [found, draft] = await Promise.all([around.server.read(pieceId), around.drafts.find(pieceId)])
    const session = new PlanSession(found.piece, found, around)
    if (draft) session.takeUp(draft.base, draft.plan)
    around.history.takeUp(session.state.plan)
    session.set({})
    void session.preview()
    return session
  }

  private constructor(
    piece: PieceView,
    base: Base,
    private readonly around: Surroundings,
  ) {
    this.base = { plan: base.plan, version: base.version }
    this.state = {
      piece,
      plan: base.plan,
      save: { kind: 'saved' },
      problems: [],
      preview: null,
      previewOf: null,
      previewIsOld: false,
      mergedFromElsewhere: false,
      canUndo: false,
      canRedo: false,
      viewing: { light: 'daylight', shown: null },
    }
  }

  get current() {
    return this.state
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Sends what is still unsent, and stops. The draft stays if that fails. */
  close() {
    this.isClosed = true
    this.callOffSave()
    if (this.state.save.kind === 'saving') void this.save()
  }

  edit(change: (plan: Plan) => Plan) {
    const plan = change(this.state.plan)
    if (same(plan, this.state.plan)) return
    this.around.history.keep(this.state.plan, plan, this.around.timers.now())
    this.turnTo(plan)
  }

  /** Looks at the pictures in another light, or before a coat. */
  look(viewing: Viewing) {
    this.set({ viewing })
    void this.preview()
  }

  undo() {
    const was = this.around.history.back(this.state.plan)
    if (was) this.turnTo(was)
  }

  redo() {
    const next = this.around.history.forward(this.state.plan)
    if (next) this.turnTo(next)
  }

  private turnTo(plan: Plan) {
    this.around.drafts.keep(this.state.piece.id, { base: this.base, plan })
    const clash = this.state.save.kind === 'clash'
    this.set({ plan, save: clash ? this.state.save : { kind: 'saving' }, mergedFromElsewhere: false })
    if (!clash) this.saveSoon(quietBeforeSaveMs)
    void this.preview()
  }

  /** After a clash: mine replaces theirs. */
  keepMine() {
    if (!this.theirs) return
    this.base = this.theirs
    this.theirs = null
    this.around.drafts.keep(this.state.piece.id, { base: this.base, plan: this.state.plan })
    this.set({ save: { kind: 'saving' } })
    void this.save()
  }

  /** After a clash: mine is let go. */
  takeTheirs() {
    if (!this.theirs) return
    this.base = this.theirs
    this.theirs = null
    this.around.drafts.drop(this.state.piece.id)
    this.around.history.forget()
    this.set({ plan: this.base.plan, save: { kind: 'saved' }, problems: [] })
    void this.preview()
  }

  /** Goes on from a draft of an earlier page. */
  private takeUp(draftBase: Base, plan: Plan) {
    const server = this.base
    this.base = draftBase
    this.state = { ...this.state, plan }
    if (draftBase.version === server.version) {
      this.state = { ...this.state, save: { kind: 'saving' } }
      this.saveSoon(0)
    } else {
      this.meet(server)
    }
  }

  /** Brings my plan together with one that was saved elsewhere. */
  private meet(theirs: Base) {
    const mine = this.state.plan
    const parts = clashes(this.base.plan, mine, theirs.plan)
    if (parts.length > 0) {
      this.theirs = theirs
      this.set({ save: { kind: 'clash', parts } })
      return
    }
    const merged = merge(this.base.plan, mine, theirs.plan)
    this.base = theirs
    if (!same(merged, mine)) this.around.history.forget()
    if (same(merged, theirs.plan)) {
      // Also when my own save did arrive and only its answer was lost.
      this.around.drafts.drop(this.state.piece.id)
      this.set({ plan: merged, save: { kind: 'saved' } })
    } else {
      this.around.drafts.keep(this.state.piece.id, { base: this.base, plan: merged })
      this.set({ plan: merged, save: { kind: 'saving' }, mergedFromElsewhere: true })
      this.saveSoon(0)
    }
    void this.preview()
  }

  private saveSoon(inMs: number) {
    this.callOffSave()
    if (!this.isClosed) this.callOffSave = this.around.timers.after(inMs, () => void this.save())
  }

  /** Someone may answer again. */
  retryNow() {
    if (this.state.save.kind === 'waiting') void this.save()
    if (this.state.previewIsOld) void this.preview()
  }

  private async save() {
    if (this.isSaving) return
    this.callOffSave()
    this.isSaving = true
    const { piece, plan } = this.state
    try {
      const { version } = await this.around.server.save(piece.id, plan, this.base.version)
      this.base = { plan, version }
      this.retryMs = firstRetryMs
      if (this.state.plan === plan) {
        this.around.drafts.drop(piece.id)
        this.set({ save: { kind: 'saved' } })
      } else {
        this.around.drafts.keep(piece.id, { base: this.base, plan: this.state.plan })
        this.saveSoon(0)
      }
    } catch (error) {
      await this.saveFailed(error, plan)
    } finally {
      this.isSaving = false
    }
    if (this.state.previewIsOld) void this.preview()
  }

  private async saveFailed(error: unknown, sent: Plan) {
    if (!(error instanceof RequestFailed)) throw error
    if (error.code === 'changedElsewhere') {
      try {
        this.meet(await this.around.server.read(this.state.piece.id))
        return
      } catch (again) {
        if (!(again instanceof RequestFailed)) throw again
        error = again
      }
    }
    const failed = error as RequestFailed
    if (failed.isPassing) {
      this.set({ save: { kind: 'waiting', code: failed.code } })
      this.saveSoon(this.retryMs)
      this.retryMs = Math.min(this.retryMs * 2, longestRetryMs)
    } else if (this.state.plan === sent) {
      this.set({ save: { kind: 'refused' }, problems: failed.problems })
    } else {
      this.saveSoon(0)
    }
  }

  /** Asks for the colours of the newest plan; one question at a time, and the last one wins. */
  private async preview() {
    if (this.isPreviewing) return
    this.isPreviewing = true
    const { piece, plan, viewing } = this.state
    try {
      const preview = await this.around.server.preview(piece.id, plan, viewing)
      this.set({ preview, previewOf: plan, previewIsOld: false, ...(this.state.plan === plan && { problems: [] }) })
    } catch (error) {
      if (!(error instanceof RequestFailed)) throw error
      if (error.isPassing) {
        this.set({ previewIsOld: true })
        this.around.timers.after(longestRetryMs, () => {
          if (this.state.previewIsOld && !this.isClosed) void this.preview()
        })
      } else if (this.state.plan === plan) this.set({ problems: error.problems, previewIsOld: false })
    } finally {
      this.isPreviewing = false
    }
    if ((this.state.plan !== plan || this.state.viewing !== viewing) && !this.isClosed) void this.preview()
  }

  private set(change: Partial<Session>) {
    const { canGoBack: canUndo, canGoForward: canRedo } = this.around.history
    this.state = { ...this.state, ...change, canUndo, canRedo }
    this.listeners.forEach((listener) => listener())
  }
}
