import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import type { PieceView, Preview } from '../../api/api'
import { colourName } from '../../shared/words'
import { FieldPicture } from '../../shared/FieldPicture'

const largestPx = 290
const widestPx = 222
const smallShare = 0.42

/** The piece as it will look, the chosen side large and the other small, on the neutral surround. */
export function PieceSides({ piece, preview, isOld }: { piece: PieceView; preview: Preview; isOld: boolean }) {
  const { t } = useTranslation()
  const [side, setSide] = useState<'face' | 'back'>('face')
  const other = side === 'face' ? 'back' : 'face'
  const heightPx = Math.min(largestPx, (widestPx * piece.lengthMm) / piece.widthMm)
  const finished = (zone: 'heart' | 'back') => preview.zones.find((view) => view.zone === zone)?.colours.at(-1)
  const label = (of: 'face' | 'back') => {
    const colour = finished(of === 'face' ? 'heart' : 'back')
    return t('sides.picture', {
      piece: piece.name,
      side: t(`sides.${of}`),
      colour: colour ? colourName(t, colour) : '',
    })
  }
  return (
    <section aria-label={t('sides.title')} className="surround flex flex-col items-center gap-4 p-4 lg:sticky lg:top-0">
      <div role="group" aria-label={t('sides.choose')} className="flex w-full gap-4 text-sm">
        {(['face', 'back'] as const).map((name) => (
          <button
            key={name}
            aria-pressed={side === name}
            className={`min-h-6 cursor-pointer pb-0.5 ${side === name ? 'border-b-2 font-semibold' : 'border-b-2 border-transparent'}`}
            onClick={() => setSide(name)}
          >
            {t(`sides.${name}`)}
          </button>
        ))}
      </div>
      <div className="flex items-end gap-4 lg:flex-col lg:items-center">
        <FieldPicture field={preview[side]} piece={piece} heightPx={Math.round(heightPx)} label={label(side)} />
        <FieldPicture
          field={preview[other]}
          piece={piece}
          heightPx={Math.round(heightPx * smallShare)}
          label={label(other)}
        />
      </div>
      <p className="text-xs">{isOld ? t('sides.old') : t('sides.light')}</p>
    </section>
  )
}
