import { useEffect, useState } from 'react'
import { useBlocker } from 'react-router'
import { useUnsavedForm } from './unsavedForms'

/**
 * For a form that is not kept by itself: before it is closed, or left for another page, with something typed in it, it asks.
 * @param isChanged Something would be lost.
 */
export function useAsking(isChanged: boolean, onClose: () => void) {
  const [isAsking, setAsking] = useState(false)
  useUnsavedForm(isChanged)
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => isChanged && currentLocation.pathname !== nextLocation.pathname,
  )
  useEffect(() => {
    if (!isChanged) return
    const hold = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', hold)
    return () => window.removeEventListener('beforeunload', hold)
  }, [isChanged])
  return {
    isAsking: (isAsking && isChanged) || blocker.state === 'blocked',
    close: () => (isChanged ? setAsking(true) : onClose()),
    stay: () => {
      setAsking(false)
      blocker.reset?.()
    },
    throwAway: () => {
      setAsking(false)
      if (blocker.state === 'blocked') blocker.proceed()
      else onClose()
    },
  }
}

export type Asking = ReturnType<typeof useAsking>
