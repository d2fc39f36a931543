import { RequestFailed } from './RequestFailed'
import type { Timers } from './Timers'

const retryMs = 2_000

/** Sends what waits, one after the other, and again after a while if nobody answers; until it is closed. */
export class SendLoop {
  private isOpen = false
  private isSending = false
  private callOff = () => {}

  /**
   * @param next What is to be sent now, found at once; null if there is nothing. What it throws for want of an answer is tried again.
   * @param onAway Whether the server could not be reached when it was last tried.
   */
  constructor(
    private readonly timers: Timers,
    private readonly next: () => (() => Promise<void>) | null,
    private readonly onAway: (isAway: boolean) => void = () => {},
  ) {}

  open() {
    this.isOpen = true
    void this.send()
  }

  /** What nobody has answered is sent when it is open again. */
  close() {
    this.isOpen = false
    this.callOff()
  }

  async send(): Promise<void> {
    if (this.isSending) return
    this.callOff()
    this.isSending = true
    try {
      for (let job = this.next(); job; job = this.next()) {
        await job()
        this.onAway(false)
      }
    } catch (error) {
      if (!(error instanceof RequestFailed)) throw error
      this.onAway(true)
      if (this.isOpen) this.callOff = this.timers.after(retryMs, () => void this.send())
    } finally {
      this.isSending = false
    }
  }
}
