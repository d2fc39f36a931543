/** Whether nobody has signed in, as the server last said. */
export class SignedOut {
  private isOut = false
  private readonly watchers = new Set<() => void>()

  /** The server answered that somebody has to sign in first. */
  told() {
    this.set(true)
  }

  /** Somebody has signed in. */
  cameIn() {
    this.set(false)
  }

  readonly current = () => this.isOut

  readonly watch = (watcher: () => void) => {
    this.watchers.add(watcher)
    return () => void this.watchers.delete(watcher)
  }

  private set(isOut: boolean) {
    if (this.isOut === isOut) return
    this.isOut = isOut
    this.watchers.forEach((watcher) => watcher())
  }
}
