import { useTranslation } from './translation'

/** A page that could not be fetched, or a mistake of ours in drawing it: a maker sees words and not an empty window. */
export function Fallen({ again }: { again: () => void }) {
  const { t } = useTranslation()
  return (
    <main role="alert" className="p-6">
      <h1 className="name text-2xl">{t('safetyNet.title')}</h1>
      <p className="mt-2">{t('safetyNet.kept')}</p>
      <p className="mt-4 flex flex-wrap gap-3">
        <button className="btn btn-primary" onClick={again}>
          {t('trouble.tryAgain')}
        </button>
        <a className="btn" href="/commissions">
          {t('nothingHere.back')}
        </a>
      </p>
    </main>
  )
}
