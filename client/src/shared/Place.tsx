import { useQuery } from '@tanstack/react-query'
import type { ComponentType } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { useLocation } from 'wouter'
import { Reading } from './Message'
import { Fallen } from './SafetyNet'
import type { WordGroup } from './translation'
import { bringWords } from './translation'

/** What the application opens with: its words and its code are as few as can be. */
export const firstPage = '/commissions'

/** A page that is fetched when it is first opened. One that cannot be drawn or fetched says so within the frame, and others stay open. */
export function Place({
  name,
  load,
  words = [],
}: {
  name: string
  load: () => Promise<ComponentType>
  /** Beside those of every page. */
  words?: WordGroup[]
}) {
  const [path] = useLocation()
  const page = useQuery({
    queryKey: ['page', name],
    // The first page has its words with it.
    queryFn: async () => (await Promise.all([load(), name === firstPage ? null : bringWords(['rest', ...words])]))[0],
    staleTime: Infinity,
    gcTime: Infinity,
    networkMode: 'always',
  })
  if (page.error) return <Fallen again={() => void page.refetch()} />
  if (!page.data) return <Reading />
  const Page = page.data
  return (
    <ErrorBoundary
      resetKeys={[path]}
      fallbackRender={({ resetErrorBoundary }) => <Fallen again={resetErrorBoundary} />}
    >
      <Page />
    </ErrorBoundary>
  )
}
