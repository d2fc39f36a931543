/** What waits, and what time it is; a test winds it on by hand. */
export interface Timers {
  /** In ms, from any start. */
  now(): number
  /** @param ms From now. @returns Calls it off. */
  after(ms: number, act: () => void): () => void
}
