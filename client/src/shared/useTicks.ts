import { useEffect, useMemo, useSyncExternalStore } from 'react'
import type { Tickable, TickWork } from '../core/TickQueue'
import { TickQueue } from '../core/TickQueue'
import { kept } from './kept'
import { timers } from './timers'

/** Ticks of a sheet. @param sheet Names it among what this browser keeps. */
export function useTicks(sheet: string, send: TickWork['send'], readAgain: TickWork['readAgain']) {
  const queue = useMemo(() => new TickQueue(`ticks/${sheet}`, kept, timers), [sheet])
  useEffect(() => queue.sendBy({ send, readAgain }))
  useEffect(() => {
    queue.open()
    return () => queue.close()
  }, [queue])
  const waiting = useSyncExternalStore(queue.watch, () => queue.waiting)
  return {
    waiting: Object.keys(waiting).length > 0,
    isTicked: (step: Tickable) => queue.isTicked(step),
    setTicked: (step: Tickable, ticked: boolean) => queue.setTicked(step, ticked),
  }
}
