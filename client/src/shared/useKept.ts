import { useCallback, useEffect, useState } from 'react'

/** State that outlives a reload and a restart, under a name of its own. @param begin What it is when nothing was kept. */
export function useKept<T>(name: string, begin: T, isOne: (value: unknown) => value is T) {
  const key = `young-tinge/${name}`
  const [value, setValue] = useState<T>(() => read(key, isOne) ?? begin)
  const [isChanged, setChanged] = useState(() => read(key, isOne) !== null)
  useEffect(() => {
    try {
      if (isChanged) localStorage.setItem(key, JSON.stringify(value))
    } catch {
      // Storage is full or shut: the page still works, it is only not kept.
    }
  }, [key, value, isChanged])
  const set = useCallback((next: T | ((was: T) => T)) => {
    setChanged(true)
    setValue(next)
  }, [])
  /** Forgets what was kept: it has been saved, or is not wanted. */
  const drop = useCallback(
    (next: T) => {
      localStorage.removeItem(key)
      setChanged(false)
      setValue(next)
    },
    [key],
  )
  return { value, isChanged, set, drop }
}

function read<T>(key: string, isOne: (value: unknown) => value is T): T | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null')
    return isOne(kept) ? kept : null
  } catch {
    return null
  }
}
