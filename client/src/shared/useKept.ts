import { useCallback, useEffect, useState } from 'react'
import { kept } from './kept'

/** State that outlives a reload and a restart, under a name of its own. @param begin What it is when nothing was kept. */
export function useKept<T>(name: string, begin: T, isOne: (value: unknown) => value is T) {
  const [{ value, isChanged }, setState] = useState(() => {
    const found = kept.read(name, isOne)
    return { value: found ?? begin, isChanged: found !== null }
  })
  useEffect(() => {
    if (isChanged) kept.write(name, value)
  }, [name, value, isChanged])
  const set = useCallback(
    (next: T | ((was: T) => T)) =>
      setState((was) => ({
        value: typeof next === 'function' ? (next as (was: T) => T)(was.value) : next,
        isChanged: true,
      })),
    [],
  )
  /** Forgets what was kept: it has been saved, or is not wanted. */
  const drop = useCallback(
    (next: T) => {
      kept.forget(name)
      setState({ value: next, isChanged: false })
    },
    [name],
  )
  return { value, isChanged, set, drop }
}
