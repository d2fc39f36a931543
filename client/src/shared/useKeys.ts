import { useEffect, useLayoutEffect, useRef } from 'react'

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    (target instanceof HTMLInputElement && !['checkbox', 'radio', 'range', 'button'].includes(target.type)))

/** Single keys of a page; not while something is typed, nor over something opened. */
export function useKeys(keys: Record<string, () => void>) {
  const newest = useRef(keys)
  // With what is drawn, not a moment later: whoever sees the next thing may press for it already.
  useLayoutEffect(() => {
    newest.current = keys
  })
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        isTyping(event.target) ||
        document.querySelector('dialog[open]')
      )
        return
      const act = newest.current[event.key]
      if (!act) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
