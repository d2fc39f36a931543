import { useEffect, useState } from 'react'
import { address } from './address'
import { useUnsavedForm } from './unsavedForms'

/**
 * For a form that is not kept by itself: before it is closed, or left for another page, with something typed in it, it asks.
 * @param isChanged Something would be lost.
 */
export function useAsking(isChanged: boolean, onClose: () => void) {
  const [isClosing, setClosing] = useState(false)
  const [wayOut, setWayOut] = useState<{ leave: () => void } | null>(null)
  useUnsavedForm(isChanged)
  useEffect(() => {
    if (!isChanged) return
    const letGo = address.hold((leave) => setWayOut({ leave }))
    const warn = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', warn)
    return () => {
      letGo()
      window.removeEventListener('beforeunload', warn)
    }
  }, [isChanged])
  return {
    isAsking: isChanged && (isClosing || wayOut !== null),
    close: () => (isChanged ? setClosing(true) : onClose()),
    stay: () => {
      setClosing(false)
      setWayOut(null)
    },
    throwAway: () => {
      setClosing(false)
      setWayOut(null)
      if (wayOut) wayOut.leave()
      else onClose()
    },
  }
}

export type Asking = ReturnType<typeof useAsking>
