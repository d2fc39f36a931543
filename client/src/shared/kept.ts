import { Kept } from '../core/Kept'

/** A browser that allows no storage refuses even to show it. */
function allowed(show: () => Storage): Storage | null {
  try {
    return show()
  } catch {
    return null
  }
}

/** For good: it outlives a reload and a restart. */
export const kept = new Kept(allowed(() => localStorage))

/** For as long as the tab is open, also over a reload. */
export const keptInTab = new Kept(allowed(() => sessionStorage))
