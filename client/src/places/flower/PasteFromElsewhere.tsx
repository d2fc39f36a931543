import { Link } from 'wouter'
import { useTranslation } from '../../shared/translation'
import type { PieceView, Preview } from '../../api/api'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, dose, grams } from '../../shared/words'
import { sourceWords } from './sourceWords'

/** A paste that is planned or made elsewhere: it is shown, and changed only there. */
export function PasteFromElsewhere({
  piece,
  preview,
  nameOf,
  onOwn,
}: {
  piece: PieceView
  preview: Preview
  nameOf: NameOf
  onOwn: () => void
}) {
  const { t } = useTranslation()
  const { source, batch } = preview
  const isShort = source.kind === 'batch' && (source.leftG ?? 0) < piece.batchG
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
      <div className="surround p-3">
        <div className="flex">
          <Swatch colour={preview.paste} label={t('paste.now')} className="h-16 w-24" />
          <Swatch colour={preview.ground} label={t('paste.ground')} className="h-16 w-24" />
        </div>
        <p className="pt-2 text-sm">
          <span className="font-semibold">{differenceWords(t, preview.pasteDifference)}</span>{' '}
          {deltaE(preview.pasteDifference.deltaE)}
          <span className="block text-xs">{t('paste.order')}</span>
        </p>
      </div>
      <div className="max-w-prose space-y-2 text-sm">
        <p className="font-semibold">{sourceWords(t, source)}</p>
        <p>
          {t(`paste.from.${source.kind}`, {
            mass: grams(t, piece.batchG),
            pieces: piece.toMake,
            ball: piece.ball,
            left: grams(t, source.leftG ?? 0),
          })}
        </p>
        {source.kind === 'shade' && (
          <p className="quiet">{batch.colours.map((one) => `${nameOf(one.colourantId)} ${dose(t, one)}`).join(', ')}</p>
        )}
        {isShort && (
          <p role="alert" className="text-error">
            {t('paste.from.short', { mass: grams(t, piece.batchG - (source.leftG ?? 0)) })}
          </p>
        )}
        {source.kind === 'batch' ? (
          <button className="btn btn-sm" onClick={onOwn}>
            {t('paste.from.own')}
          </button>
        ) : (
          <Link className="act" to={`/flowers/${source.flowerId}/${source.kind === 'shade' ? 'ombre' : 'marble'}`}>
            {t(`paste.from.open.${source.kind === 'shade' ? 'shade' : 'marble'}`)}
          </Link>
        )}
      </div>
    </div>
  )
}
