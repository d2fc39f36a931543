import type { ReactNode } from 'react'
import { useEffect, useRef } from 'react'
import { useTranslation } from './translation'
import { useLocation } from 'wouter'

/**
 * The heading of a page, and the title of its window. After a way from one page to another the keyboard and the screen reader are
 * here; not where something else was chosen meanwhile.
 */
export function PageTitle({
  title,
  className = 'text-3xl',
  children,
}: {
  /** For the window, where the heading itself says less. */
  title: string
  className?: string
  children?: ReactNode
}) {
  const { t } = useTranslation()
  const heading = useRef<HTMLHeadingElement>(null)
  const [pathname] = useLocation()
  useEffect(() => {
    document.title = `${title} · ${t('frame.name')}`
  }, [title, t])
  useEffect(() => {
    const at = document.activeElement
    const isFree = at === null || at === document.body || at.closest('header nav') !== null
    if (isFree && !location.hash) heading.current?.focus({ preventScroll: true })
  }, [pathname])
  return (
    <h1 ref={heading} tabIndex={-1} className={`name outline-none ${className}`}>
      {children ?? title}
    </h1>
  )
}
