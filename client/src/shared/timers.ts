import type { Timers } from '../core/Timers'

/** The browser's own. */
export const timers: Timers = {
  now: () => performance.now(),
  after(ms, act) {
    const timer = setTimeout(act, ms)
    return () => clearTimeout(timer)
  },
}
