import { useTranslation } from './translation'

/** A private address, shown once to be handed on. */
export function SecretAddress({ label, path, once }: { label: string; path: string; once: string }) {
  return (
    <div>
      <label className="block">
        <span className="quiet block text-xs">{label}</span>
        <input
          readOnly
          className="input input-sm w-full"
          value={`${location.origin}${path}`}
          onFocus={(event) => event.target.select()}
        />
      </label>
      <div className="mt-1 flex flex-wrap items-center gap-3 text-sm">
        <CopyButton text={`${location.origin}${path}`} />
        <span className="quiet">{once}</span>
      </div>
    </div>
  )
}

function CopyButton({ text }: { text: string }) {
  const { t } = useTranslation()
  // Without https a browser may not give the clipboard away; then the address can still be chosen by hand.
  if (!navigator.clipboard) return null
  return (
    <button type="button" className="act min-h-6" onClick={() => void navigator.clipboard.writeText(text)}>
      {t('address.copy')}
    </button>
  )
}
