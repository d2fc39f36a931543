import { hasFields } from './Kept'
import type { Kept } from './Kept'
import { RequestFailed } from './RequestFailed'
import { SendLoop } from './SendLoop'
import type { Timers } from './Timers'

/** Something to tell the server, under an id by which it counts once. */
export interface Letter<N> {
  id: string
  note: N
}

export interface Post<N, A extends object> {
  send(letter: Letter<N>): Promise<A>
  /** After each that has arrived, before it is forgotten here. What this cannot do yet is tried again: it then arrives once more, and counts once. */
  arrived(letter: Letter<N>, answer: A): Promise<unknown>
  /** The server will never take it. */
  refused(letter: Letter<N>): void
}

const areLetters = (value: unknown): value is Letter<never>[] =>
  Array.isArray(value) && value.every((one) => hasFields(one, 'id', 'note'))

/**
 * What is told to the server one after the other, in the order in which it was done. What has not arrived is kept in the browser, and sent again until it
 * does, also after a reload. Two windows may send the same: its id makes it count once.
 */
export class Outbox<N, A extends object> {
  private letters: readonly Letter<N>[]
  private away = false
  private readonly watchers = new Set<() => void>()
  private post: Post<N, A> | null = null
  private readonly loop: SendLoop

  /** @param name Among what this browser keeps. */
  constructor(
    private readonly name: string,
    private readonly kept: Kept,
    timers: Timers,
  ) {
    this.letters = this.onShelf()
    this.loop = new SendLoop(
      timers,
      () => this.job(),
      (away) => this.setAway(away),
    )
  }

  /** What has not arrived yet, in order. */
  get waiting(): readonly Letter<N>[] {
    return this.letters
  }

  /** The server could not be reached when it was last tried. */
  get isAway(): boolean {
    return this.away
  }

  readonly watch = (watcher: () => void) => {
    this.watchers.add(watcher)
    return () => this.watchers.delete(watcher)
  }

  add(letter: Letter<N>) {
    this.change((was) => [...was, letter])
    void this.loop.send()
  }

  sendBy(post: Post<N, A>) {
    this.post = post
  }

  /** Sends what an earlier page has left, and goes on until it is closed. */
  open() {
    // Nobody knows yet.
    this.setAway(false)
    this.loop.open()
  }

  close() {
    this.loop.close()
  }

  private job(): (() => Promise<void>) | null {
    const { post } = this
    const next = post && this.next()
    return post && next ? () => this.sendOne(next, post) : null
  }

  private next(): Letter<N> | undefined {
    this.change((was) => was)
    return this.letters[0]
  }

  private async sendOne(letter: Letter<N>, post: Post<N, A>) {
    const answer = await post.send(letter).catch((error: unknown) => {
      if (!(error instanceof RequestFailed) || error.isPassing) throw error
      post.refused(letter)
      return null
    })
    if (answer !== null) await post.arrived(letter, answer)
    this.change((was) => was.filter((one) => one.id !== letter.id))
  }

  private setAway(away: boolean) {
    if (this.away === away) return
    this.away = away
    this.watchers.forEach((watcher) => watcher())
  }

  private onShelf(): readonly Letter<N>[] {
    return this.kept.read(this.name, areLetters) ?? []
  }

  /** From what is kept, not from what this one knows: another window may have added to it. */
  private change(next: (was: readonly Letter<N>[]) => readonly Letter<N>[]) {
    const before = JSON.stringify(this.letters)
    this.letters = next(this.onShelf())
    if (this.letters.length === 0) this.kept.forget(this.name)
    else this.kept.write(this.name, this.letters)
    if (JSON.stringify(this.letters) !== before) this.watchers.forEach((watcher) => watcher())
  }
}
