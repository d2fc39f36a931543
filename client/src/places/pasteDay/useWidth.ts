import { useEffect, useRef, useState } from 'react'

/** How wide an element has come out, in px; follows the window. @param begin Until it is known. */
export function useWidth<E extends HTMLElement>(begin: number) {
  const ref = useRef<E>(null)
  const [width, setWidth] = useState(begin)
  useEffect(() => {
    const element = ref.current
    if (!element) return
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return { ref, width }
}
