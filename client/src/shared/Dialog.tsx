import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { useEffect, useRef } from 'react'
import { useTranslation } from './translation'

/** Something over the page: the browser keeps the focus in it, closes it with Escape, and gives the focus back. */
export function Dialog({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const { t } = useTranslation()
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    const element = dialog.current
    if (!element?.open) element?.showModal()
    // Not the button that closes it, which comes first.
    element?.querySelector<HTMLElement>('[data-first]')?.focus()
    return () => element?.close()
  }, [])
  return (
    <dialog
      ref={dialog}
      aria-label={title}
      className="bg-base-100 text-base-content border-base-300 m-auto mt-16 w-[36rem] max-w-[calc(100vw-1rem)] border p-4 backdrop:bg-black/40"
      onCancel={(event) => {
        event.preventDefault()
        onClose()
      }}
      onClick={(event) => event.target === dialog.current && onClose()}
    >
      <div className="flex items-baseline gap-3">
        <h2 className="font-semibold">{title}</h2>
        <button className="btn btn-ghost btn-sm ml-auto" aria-label={t('frame.close')} onClick={onClose}>
          <X size={16} aria-hidden />
        </button>
      </div>
      {children}
    </dialog>
  )
}
