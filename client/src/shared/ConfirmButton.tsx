import { useState } from 'react'
import { useTranslation } from './translation'

/** For what is not done by mistake: asks once more, in place. */
export function ConfirmButton({
  label,
  toBin = false,
  question,
  onYes,
}: {
  label: string
  /** It can be had back. */
  toBin?: boolean
  /** Where neither what cannot be taken back nor the bin is meant; answered with yes or no. */
  question?: string
  onYes: () => void
}) {
  const { t } = useTranslation()
  const [isAsking, setAsking] = useState(false)
  return isAsking ? (
    <span
      role="group"
      aria-label={label}
      className="flex flex-wrap items-center gap-2 text-sm"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.preventDefault()
        event.stopPropagation()
        setAsking(false)
      }}
    >
      {question ?? t(toBin ? 'confirm.bin' : 'confirm.ask')}
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => {
          setAsking(false)
          onYes()
        }}
      >
        {t(question ? 'confirm.agree' : 'confirm.yes')}
      </button>
      <button type="button" className="btn btn-sm" autoFocus onClick={() => setAsking(false)}>
        {t(question ? 'confirm.decline' : 'confirm.no')}
      </button>
    </span>
  ) : (
    <button type="button" className="btn btn-sm" onClick={() => setAsking(true)}>
      {label}
    </button>
  )
}
