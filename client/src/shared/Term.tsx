import { useEffect, useId, useRef, useState } from 'react'
import { createPortal } from 'react-dom'
import { useTranslation } from './translation'
import type { TermName } from './terms'

const widthPx = 256
const marginPx = 8

/** A word of the trade with its meaning where it stands: by pointer, by touch and by key. */
export function Term({ name, children }: { name: TermName; children?: React.ReactNode }) {
  const { t } = useTranslation()
  const id = useId()
  const [at, setAt] = useState<{ left: number; top: number } | null>(null)
  const word = useRef<HTMLButtonElement>(null)
  const open = () => {
    const { left, bottom } = word.current!.getBoundingClientRect()
    setAt({ left: Math.max(marginPx, Math.min(left, innerWidth - widthPx - marginPx)), top: bottom + 2 })
  }
  const close = () => setAt(null)
  const isOpen = at !== null
  useEffect(() => {
    if (!isOpen) return
    const away = (event: Event) => event.target !== word.current && setAt(null)
    const gone = ['pointerdown', 'focusin', 'scroll'] as const
    for (const event of gone) document.addEventListener(event, away, true)
    return () => {
      for (const event of gone) document.removeEventListener(event, away, true)
    }
  }, [isOpen])
  return (
    <dfn className="not-italic">
      <button
        ref={word}
        type="button"
        className="relative z-10 -my-1 inline-block cursor-help py-1 text-left underline decoration-dotted underline-offset-2"
        aria-describedby={isOpen ? id : undefined}
        onClick={(event) => {
          // Within a label it would go on to the field.
          event.preventDefault()
          // A mouse has opened it by coming here; a finger or a key opens and closes.
          if (isOpen && (event.nativeEvent as PointerEvent).pointerType !== 'mouse') close()
          else open()
        }}
        onPointerEnter={(event) => event.pointerType === 'mouse' && open()}
        onPointerLeave={(event) => event.pointerType === 'mouse' && close()}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || !isOpen) return
          event.preventDefault()
          event.stopPropagation()
          close()
        }}
      >
        {children ?? t(`term.${name}.name`)}
      </button>
      {at &&
        // Out of what scrolls, clips or names a field by its text.
        createPortal(
          <span
            id={id}
            role="tooltip"
            className="bg-neutral text-neutral-content fixed z-50 block p-2 text-left text-sm leading-snug print:hidden"
            style={{ ...at, width: widthPx }}
          >
            {t(`term.${name}.means`)}
          </span>,
          document.querySelector('main') ?? document.body,
        )}
    </dfn>
  )
}
