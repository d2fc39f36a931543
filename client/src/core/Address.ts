/** What of a window the address needs: its place, and its history. */
export interface Window {
  location: { pathname: string; search: string }
  history: {
    state: unknown
    pushState(state: unknown, unused: string, url?: string): void
    replaceState(state: unknown, unused: string, url?: string): void
    go(by: number): void
  }
  addEventListener(type: 'popstate', listener: () => void): void
}

type Ask = (leave: () => void) => void

/**
 * Where the window is, as the pages see it. What holds something that is not saved can hold the window: a way to another page is
 * then asked about first, also the browser's own Back, and the page with its form stays as it is until that is answered.
 */
export class Address {
  private shown: { path: string; search: string }
  /** Which entry of the window's history is shown: how far the browser has gone is known by it. */
  private entry: number
  private readonly holders: Ask[] = []
  private readonly watchers = new Set<() => void>()
  /** What the window's next move is for, where it is ours and not the browser's. */
  private move: { kind: 'return'; by: number } | { kind: 'leave' } | null = null

  constructor(private readonly window: Window) {
    this.shown = this.read()
    this.entry = entryOf(window.history.state) ?? 0
    window.history.replaceState({ entry: this.entry }, '')
    window.addEventListener('popstate', () => this.moved())
  }

  get path() {
    return this.shown.path
  }

  get search() {
    return this.shown.search
  }

  readonly watch = (watcher: () => void) => {
    this.watchers.add(watcher)
    return () => this.watchers.delete(watcher)
  }

  /** Goes to another address of ours. @param to From the root on, with or without a search. */
  readonly go = (to: string, { replace = false }: { replace?: boolean } = {}) => {
    const stays = replace || to === this.shown.path + this.shown.search
    const leave = () => {
      if (!stays) this.entry++
      this.window.history[stays ? 'replaceState' : 'pushState']({ entry: this.entry }, '', to)
      this.show()
    }
    this.askOr(to.split(/[?#]/)[0]!, leave)
  }

  /** Holds the window on this page. @param ask Is given the way out that was taken. @returns Lets it go again. */
  hold(ask: Ask): () => void {
    this.holders.push(ask)
    return () => void this.holders.splice(this.holders.indexOf(ask), 1)
  }

  private askOr(path: string, leave: () => void) {
    const ask = this.holders.at(-1)
    if (ask && path !== this.shown.path) ask(leave)
    else leave()
  }

  /** The browser has gone through its history, or to a mark within the page. */
  private moved() {
    const { history, location } = this.window
    const move = this.move
    this.move = null
    if (move?.kind === 'return') {
      this.holders.at(-1)?.(() => {
        this.move = { kind: 'leave' }
        history.go(move.by)
      })
      return
    }
    const entry = entryOf(history.state)
    if (entry === null) history.replaceState({ entry: this.entry + 1 }, '')
    const by = (entry ?? this.entry + 1) - this.entry
    if (move === null && this.holders.length > 0 && location.pathname !== this.shown.path) {
      this.move = { kind: 'return', by }
      history.go(-by)
      return
    }
    this.entry += by
    this.show()
  }

  private show() {
    this.shown = this.read()
    this.watchers.forEach((watcher) => watcher())
  }

  private read() {
    const { pathname: path, search } = this.window.location
    return { path, search }
  }
}

const entryOf = (state: unknown): number | null =>
  typeof state === 'object' && state !== null && 'entry' in state && typeof state.entry === 'number'
    ? state.entry
    : null
