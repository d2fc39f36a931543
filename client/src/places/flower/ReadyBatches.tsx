import { useQuery } from '@tanstack/react-query'
import { queries } from '../../api/queries'
import { InlineSwatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import { deltaE, differenceWords, grams } from '../../shared/words'

/** Batches that lie ready: taking one spares mixing. */
export function ReadyBatches({ pieceId, onUse }: { pieceId: string; onUse: (id: string) => void }) {
  const { t } = useTranslation()
  const { data: batches } = useQuery(queries.readyBatches(pieceId))
  if (!batches || batches.length === 0) return null
  return (
    <details className="mt-3 text-sm">
      <summary className="cursor-pointer font-semibold">{t('paste.ready.title', { count: batches.length })}</summary>
      <ul className="mt-1 space-y-1">
        {batches.map((batch) => (
          <li key={batch.id} className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <InlineSwatch colour={batch.colour} />
            <span className="font-semibold">{batch.name}</span>
            <span>
              {t(batch.isEnough ? 'paste.ready.left' : 'paste.ready.tooLittle', { mass: grams(t, batch.leftG) })}
              {batch.keptIn && `, ${batch.keptIn}`}
            </span>
            <span>
              {differenceWords(t, batch.difference)} ({deltaE(batch.difference.deltaE)})
            </span>
            <button
              className="btn btn-xs"
              aria-label={t('paste.ready.useNamed', { name: batch.name })}
              onClick={() => onUse(batch.id)}
            >
              {t('paste.ready.use')}
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}
