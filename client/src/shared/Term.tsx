import { useEffect, useId, useRef, useState } from 'react'
import { useTranslation } from 'react-i18next'
import type { TermName } from './terms'

/** A word of the trade with its meaning where it stands: by pointer, by touch and by key. */
export function Term({ name, children }: { name: TermName; children?: React.ReactNode }) {
  const { t } = useTranslation()
  const id = useId()
  const [isOpen, setOpen] = useState(false)
  const whole = useRef<HTMLSpanElement>(null)
  useEffect(() => {
    if (!isOpen) return
    const away = (event: Event) => {
      if (!whole.current?.contains(event.target as Node)) setOpen(false)
    }
    document.addEventListener('pointerdown', away)
    document.addEventListener('focusin', away)
    return () => {
      document.removeEventListener('pointerdown', away)
      document.removeEventListener('focusin', away)
    }
  }, [isOpen])
  return (
    <span ref={whole} className="relative inline-block" onMouseLeave={() => setOpen(false)}>
      <button
        type="button"
        className="cursor-help underline decoration-dotted underline-offset-4"
        aria-expanded={isOpen}
        aria-describedby={isOpen ? id : undefined}
        onClick={(event) => {
          // Within a label it would go on to the field.
          event.preventDefault()
          setOpen(!isOpen)
        }}
        onMouseEnter={() => setOpen(true)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || !isOpen) return
          event.preventDefault()
          event.stopPropagation()
          setOpen(false)
        }}
      >
        {children ?? t(`term.${name}.name`)}
      </button>
      {isOpen && (
        <span
          id={id}
          role="tooltip"
          className="bg-neutral text-neutral-content absolute top-full left-0 z-40 block w-64 max-w-[80vw] p-2 text-left text-sm leading-snug font-normal whitespace-normal"
        >
          {t(`term.${name}.means`)}
        </span>
      )}
    </span>
  )
}
