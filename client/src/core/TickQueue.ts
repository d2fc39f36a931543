import { hasFields } from './Kept'
import type { Kept } from './Kept'
import { RequestFailed } from './RequestFailed'
import { SendLoop } from './SendLoop'
import type { Timers } from './Timers'

/** A step of a sheet that can be ticked. */
export interface Tickable {
  key: string
  /** What the step was when it was ticked: a tick of another step than is there now is refused. */
  fingerprint: string
  tickedAt: string | null
}

export interface Wish {
  ticked: boolean
  fingerprint: string
}

export type Wishes = Readonly<Record<string, Wish>>

/** What a queue does in the world. */
export interface TickWork {
  /** Tells the server of one tick, in one request. */
  send(key: string, wish: Wish): Promise<unknown>
  /** After each that has arrived. */
  readAgain(): Promise<unknown>
}

const isWishes = (value: unknown): value is Wishes => hasFields(value)

/**
 * Ticks that show at once and are sent one after the other in the background. What has not been sent is kept in the browser, and
 * sent again until it arrives, also after a reload.
 */
export class TickQueue {
  private wishes: Wishes
  private readonly watchers = new Set<() => void>()
  private work: TickWork | null = null
  private readonly loop: SendLoop

  /** @param name Of the sheet, among what this browser keeps. */
  constructor(
    private readonly name: string,
    private readonly kept: Kept,
    timers: Timers,
  ) {
    this.loop = new SendLoop(timers, () => this.job())
    this.wishes = kept.read(name, isWishes) ?? {}
  }

  /** What is not sent yet, by step. */
  get waiting(): Wishes {
    return this.wishes
  }

  readonly watch = (watcher: () => void) => {
    this.watchers.add(watcher)
    return () => this.watchers.delete(watcher)
  }

  isTicked(step: Tickable): boolean {
    return this.wishes[step.key]?.ticked ?? step.tickedAt !== null
  }

  setTicked(step: Tickable, ticked: boolean) {
    this.change((was) => ({ ...was, [step.key]: { ticked, fingerprint: step.fingerprint } }))
    void this.loop.send()
  }

  /** What sending is, from here on. */
  sendBy(work: TickWork) {
    this.work = work
  }

  /** Sends what an earlier page has left, and goes on until it is closed. */
  open() {
    this.loop.open()
  }

  /** The page is left: what nobody has answered is sent when it is open again. */
  close() {
    this.loop.close()
  }

  private job(): (() => Promise<void>) | null {
    const { work } = this
    const next = work && this.next()
    return work && next ? () => this.sendOne(...next, work) : null
  }

  private next(): [string, Wish] | undefined {
    this.change((was) => was)
    return Object.entries(this.wishes)[0]
  }

  private async sendOne(key: string, sent: Wish, { send, readAgain }: TickWork) {
    try {
      await send(key, sent)
    } catch (error) {
      // Refused for good: the step is gone from the plan, and there is nothing left to tick.
      if (!(error instanceof RequestFailed) || error.isPassing) throw error
    }
    await readAgain()
    // Unless it was changed again while it was on its way.
    this.change((was) =>
      was[key]?.ticked === sent.ticked && was[key].fingerprint === sent.fingerprint
        ? Object.fromEntries(Object.entries(was).filter(([other]) => other !== key))
        : was,
    )
  }

  /** From what is kept, not from what this queue knows: another tab, or the same page opened again, may have the same sheet. */
  private change(next: (was: Wishes) => Wishes) {
    this.wishes = next(this.kept.read(this.name, isWishes) ?? {})
    if (Object.keys(this.wishes).length === 0) this.kept.forget(this.name)
    else this.kept.write(this.name, this.wishes)
    this.watchers.forEach((watcher) => watcher())
  }
}
