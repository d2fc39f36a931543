import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { useEffect } from 'react'
import { useTranslation } from './translation'
import { useOpened } from './useOpened'

/** The strip under the ribbons in which the opened column or target is edited. */
export function Editor({
  title,
  actions,
  onClose,
  children,
}: {
  title: string
  actions?: ReactNode
  onClose: () => void
  children: ReactNode
}) {
  const { t } = useTranslation()
  const strip = useOpened<HTMLElement>(onClose)
  // On a small screen it opens below the fold.
  useEffect(() => {
    // In braces: it may answer with a promise, which React would take for a clean-up.
    strip.current?.scrollIntoView({ block: 'nearest' })
  }, [strip])
  return (
    <section ref={strip} aria-label={title} className="px-4 py-3 outline-none">
      <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 className="font-semibold">{title}</h2>
        {actions}
        <button className="btn btn-ghost btn-sm ml-auto" onClick={onClose}>
          <X size={16} aria-hidden />
          {t('frame.close')}
        </button>
      </div>
      {children}
    </section>
  )
}

export type ProblemAt = (path: string) => string | undefined
