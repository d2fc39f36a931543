import { useState } from 'react'
import { useTranslation } from 'react-i18next'

/** For what cannot be taken back: asks once more, in place. */
export function ConfirmButton({ label, onYes }: { label: string; onYes: () => void }) {
  const { t } = useTranslation()
  const [isAsking, setAsking] = useState(false)
  return isAsking ? (
    <span role="group" aria-label={label} className="flex items-center gap-2 text-sm">
      {t('confirm.ask')}
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => {
          setAsking(false)
          onYes()
        }}
      >
        {t('confirm.yes')}
      </button>
      <button type="button" className="btn btn-sm" autoFocus onClick={() => setAsking(false)}>
        {t('confirm.no')}
      </button>
    </span>
  ) : (
    <button type="button" className="btn btn-sm" onClick={() => setAsking(true)}>
      {label}
    </button>
  )
}
