import type { ReactNode } from 'react'
import { useOpened } from './useOpened'

/** Something that opens within a page: the focus goes in and comes back, and Escape closes it. */
export function Opened({
  onClose,
  className = '',
  children,
}: {
  onClose: () => void
  className?: string
  children: ReactNode
}) {
  const opened = useOpened<HTMLDivElement>(onClose)
  return (
    <div ref={opened} className={`outline-none ${className}`}>
      {children}
    </div>
  )
}
