import type { ReactNode } from 'react'
import { useRef } from 'react'

/** Opens the machine's own way of choosing a file; on a phone, with `capture`, the camera. */
export function FileButton({
  label,
  accept,
  capture = false,
  disabled = false,
  onFile,
  children,
}: {
  /** What the file is for; said by screen readers, and the name of the field. */
  label: string
  accept: string
  capture?: boolean
  disabled?: boolean
  onFile: (file: File) => void
  children: ReactNode
}) {
  const field = useRef<HTMLInputElement>(null)
  return (
    <>
      <button type="button" className="btn btn-sm" disabled={disabled} onClick={() => field.current?.click()}>
        {children}
      </button>
      <input
        ref={field}
        type="file"
        className="sr-only"
        aria-label={label}
        tabIndex={-1}
        accept={accept}
        capture={capture ? 'environment' : undefined}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          // So that the same file can be chosen again after it was put right.
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
    </>
  )
}
