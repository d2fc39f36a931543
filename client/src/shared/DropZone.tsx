import type { ReactNode } from 'react'
import { useEffect, useRef, useState } from 'react'
import { useTranslation } from './translation'

/** Takes a file that is dropped anywhere on it, or pasted while it is on the page. */
export function DropZone({
  takesPaste,
  onFile,
  children,
}: {
  takesPaste: boolean
  onFile: (file: File) => void
  children: ReactNode
}) {
  const { t } = useTranslation()
  const [isOver, setOver] = useState(false)
  const take = useRef(onFile)
  useEffect(() => {
    take.current = onFile
  })
  useEffect(() => {
    if (!takesPaste) return
    const paste = (event: ClipboardEvent) => {
      const file = [...(event.clipboardData?.files ?? [])][0]
      if (file) take.current(file)
    }
    document.addEventListener('paste', paste)
    return () => document.removeEventListener('paste', paste)
  }, [takesPaste])
  return (
    <div
      className="relative"
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        const file = event.dataTransfer.files[0]
        if (file) onFile(file)
      }}
    >
      {children}
      {isOver && (
        <p className="bg-base-100 border-primary absolute inset-0 z-20 flex items-center justify-center border-2 border-dashed font-semibold">
          {t('board.drop')}
        </p>
      )}
    </div>
  )
}
