import type { ReactNode } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { useLocation } from 'wouter'
import { Fallen } from './SafetyNet'

/** What is drawn at one address. Where it falls over that is said there, and what is round it stays. */
export function Place({ children }: { children: ReactNode }) {
  const [path] = useLocation()
  return (
    <ErrorBoundary
      resetKeys={[path]}
      fallbackRender={({ resetErrorBoundary }) => <Fallen again={resetErrorBoundary} />}
    >
      {children}
    </ErrorBoundary>
  )
}
