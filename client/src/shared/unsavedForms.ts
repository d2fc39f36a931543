import { useEffect, useSyncExternalStore } from 'react'

// Forms that hold something which is not saved: while there is one, nothing above it may say that all is.
const open = new Set<symbol>()
const watchers = new Set<() => void>()
const tell = () => watchers.forEach((watcher) => watcher())

/** Says of an open form whether something in it is not saved. */
export function useUnsavedForm(isUnsaved: boolean) {
  useEffect(() => {
    if (!isUnsaved) return
    const form = Symbol('form')
    open.add(form)
    tell()
    return () => {
      open.delete(form)
      tell()
    }
  }, [isUnsaved])
}

export function useHasUnsavedForm() {
  return useSyncExternalStore(
    (watcher) => {
      watchers.add(watcher)
      return () => watchers.delete(watcher)
    },
    () => open.size > 0,
  )
}
