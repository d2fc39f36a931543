import { useEffect } from 'react'

/** Keeps the screen on while the page is looked at. A device that cannot, or may not, goes dark as always. */
export function useWakeLock() {
  useEffect(() => {
    if (!('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | undefined
    let isLeft = false
    const hold = async () => {
      if (document.visibilityState !== 'visible') return
      try {
        lock = await navigator.wakeLock.request('screen')
        if (isLeft) await lock.release()
      } catch {
        // The battery is low, or it is not allowed.
      }
    }
    void hold()
    // It is let go whenever the page is hidden.
    document.addEventListener('visibilitychange', hold)
    return () => {
      isLeft = true
      document.removeEventListener('visibilitychange', hold)
      void lock?.release()
    }
  }, [])
}
