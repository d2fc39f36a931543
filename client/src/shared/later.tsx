import { useQuery } from '@tanstack/react-query'
import type { ComponentType } from 'react'
import { Reading } from './Message'
import { Fallen } from './SafetyNet'

/** A page, or a part of one, whose code is fetched when it is first shown; it can be tried again where that fails. */
export function later<P extends object>(name: string, load: () => Promise<ComponentType<P>>): ComponentType<P> {
  return function Later(props: P) {
    const part = useQuery({
      queryKey: ['code', name],
      queryFn: load,
      staleTime: Infinity,
      gcTime: Infinity,
      networkMode: 'always',
    })
    if (part.error) return <Fallen again={() => void part.refetch()} />
    if (!part.data) return <Reading />
    const Part = part.data
    return <Part {...props} />
  }
}
