import { useEffect, useRef } from 'react'

/**
 * For what opens within a page: the focus goes in and comes back to what opened it, and Escape closes.
 * @returns To be put on the opened element.
 */
export function useOpened<T extends HTMLElement>(onClose: () => void) {
  const opened = useRef<T>(null)
  const close = useRef(onClose)
  useEffect(() => {
    close.current = onClose
  })
  useEffect(() => {
    const opener = document.activeElement instanceof HTMLElement ? document.activeElement : null
    const element = opened.current
    if (!element) return
    if (!element.contains(document.activeElement)) {
      element.tabIndex = -1
      element.focus({ preventScroll: true })
    }
    const press = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented) return
      event.preventDefault()
      close.current()
    }
    element.addEventListener('keydown', press)
    return () => {
      element.removeEventListener('keydown', press)
      // Only if the focus went down with what was closed: who has gone on elsewhere stays there.
      setTimeout(() => {
        if (document.activeElement === document.body && opener?.isConnected) opener.focus()
      })
    }
  }, [])
  return opened
}
