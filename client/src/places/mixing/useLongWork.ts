import { useCallback, useEffect, useRef, useState } from 'react'
import type { RequestFailed } from '../../core/RequestFailed'
import { longWork } from '../../api/api'

/** Shorter work is not worth a word about its progress. */
const worthAWordMs = 300

export interface LongWork<T> {
  running: boolean
  /** Share done, 0 to 1; null while it is quick enough to say nothing. */
  progress: number | null
  answer: T | null
  error: RequestFailed | null
  stopped: boolean
  start: (body: unknown) => void
  stop: () => void
  clear: () => void
}

/** A search that may take a while: it tells how far it is, and can be stopped. A new start stops the one before. */
export function useLongWork<T>(path: Parameters<typeof longWork>[0]): LongWork<T> {
  const [state, setState] = useState<Omit<LongWork<T>, 'start' | 'stop' | 'clear'>>(idle)
  const current = useRef<AbortController>(undefined)
  useEffect(() => () => current.current?.abort(), [])

  const start = useCallback(
    (body: unknown) => {
      current.current?.abort()
      const own = new AbortController()
      current.current = own
      setState((was) => ({ ...was, running: true, progress: null, error: null, stopped: false }))
      const change = (next: (was: Omit<LongWork<T>, 'start' | 'stop' | 'clear'>) => typeof was) =>
        current.current === own && setState(next)
      let share = 0
      const wordy = setTimeout(() => change((was) => ({ ...was, progress: share })), worthAWordMs)
      longWork<T>(path, body, own.signal, (done) => {
        share = done
        change((was) => (was.progress === null ? was : { ...was, progress: share }))
      })
        .then(
          (answer) => change(() => ({ ...idle, answer })),
          (error: unknown) => {
            if (!own.signal.aborted) change(() => ({ ...idle, error: error as RequestFailed }))
          },
        )
        .finally(() => clearTimeout(wordy))
    },
    [path],
  )
  const end = useCallback((stopped: boolean) => {
    current.current?.abort()
    current.current = undefined
    setState({ ...idle, stopped })
  }, [])
  return { ...state, start, stop: useCallback(() => end(true), [end]), clear: useCallback(() => end(false), [end]) }
}

const idle = { running: false, progress: null, answer: null, error: null, stopped: false }
