import { useQuery } from '@tanstack/react-query'
import type { ComponentType } from 'react'
import type { WordGroup } from './catalogue'
import { bringWords } from './catalogue'
import { Reading } from './Message'
import { Fallen } from './SafetyNet'

/**
 * A page, or a part of one, whose code is fetched when it is first shown; it can be tried again where that fails.
 * @param words That it says and that its page does not bring.
 */
export function later<P extends object>(
  name: string,
  load: () => Promise<ComponentType<P>>,
  words: WordGroup[] = [],
): ComponentType<P> {
  return function Later(props: P) {
    const part = useQuery({
      queryKey: ['code', name],
      queryFn: async () => {
        const [part] = await Promise.all([load(), bringWords(words)])
        return part
      },
      staleTime: Infinity,
      gcTime: Infinity,
    })
    if (part.error) return <Fallen again={() => void part.refetch()} />
    if (!part.data) return <Reading />
    const Part = part.data
    return <Part {...props} />
  }
}
