import { useEffect, useRef } from 'react'

/** For an answer that was waited for: when it is there, it is what the keyboard and the screen reader come to next. */
export function useArrival<T extends HTMLElement>(answer: unknown) {
  const place = useRef<T>(null)
  useEffect(() => {
    if (!answer) return
    // In braces: it may answer with a promise, which React would take for a clean-up.
    place.current?.scrollIntoView({ block: 'nearest' })
    place.current?.focus({ preventScroll: true })
  }, [answer])
  return place
}
