import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { LightKind, PieceView, Plan, Preview } from '../../api/api'
import { queries } from '../../api/queries'
import { FieldPicture } from '../../shared/FieldPicture'
import { lightKinds } from '../../shared/lights'
import { imageOf } from '../../shared/pictureFiles'
import type { NameOf } from '../../shared/words'
import { colourName } from '../../shared/words'
import { coatName } from './coatWords'
import type { Viewing } from '../../core/PlanSession'

const largestPx = 290
const widestPx = 222
const smallShare = 0.42

/**
 * The piece as it will look, the chosen side large and the other small, on the neutral surround: in any light, before any coat, and
 * beside a picture of the living flower.
 */
export function PieceSides({
  piece,
  plan,
  preview,
  viewing,
  flowerId,
  nameOf,
  isOld,
  onLook,
}: {
  piece: PieceView
  plan: Plan
  preview: Preview
  viewing: Viewing
  flowerId: string
  nameOf: NameOf
  isOld: boolean
  onLook: (viewing: Viewing) => void
}) {
  const { t } = useTranslation()
  const [side, setSide] = useState<'face' | 'back'>('face')
  const pictures = useQuery(queries.pictures(flowerId, 'living')).data ?? []
  const other = side === 'face' ? 'back' : 'face'
  const heightPx = Math.min(largestPx, (widestPx * piece.lengthMm) / piece.widthMm)
  const shown = Math.min(viewing.shown ?? plan.coats.length, plan.coats.length)
  const seen = (zone: 'heart' | 'back') =>
    preview.zones.find((view) => view.zone === zone)?.colours[Math.min(shown, preview.coats.length)]
  const label = (of: 'face' | 'back') => {
    const colour = seen(of === 'face' ? 'heart' : 'back')
    return t('sides.picture', {
      piece: piece.name,
      side: t(`sides.${of}`),
      colour: colour ? colourName(t, colour) : '',
    })
  }
  const last = plan.coats[shown - 1]
  const upTo = last
    ? t('sides.after', {
        coat: coatName(
          t,
          last,
          preview.coats.find((view) => view.id === last.id),
          nameOf,
        ),
      })
    : t('sides.bare')
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
        <select
          aria-label={t('sides.seenIn')}
          className="border-surround-ink ml-auto min-h-6 border-b bg-transparent"
          value={viewing.light}
          onChange={(event) => onLook({ ...viewing, light: event.target.value as LightKind })}
        >
          {lightKinds.map((kind) => (
            <option key={kind} value={kind} className="text-black">
              {t(`light.${kind}`)}
            </option>
          ))}
        </select>
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
      {plan.coats.length > 0 && (
        <div className="w-full">
          <input
            type="range"
            className="range range-xs w-full text-[#141414] [--range-thumb:#f4f4f4]"
            aria-label={t('sides.upTo')}
            aria-valuetext={upTo}
            min={0}
            max={plan.coats.length}
            value={shown}
            onChange={(event) => {
              const coats = Number(event.target.value)
              onLook({ ...viewing, shown: coats === plan.coats.length ? null : coats })
            }}
          />
          <p className="text-xs">{upTo}</p>
        </div>
      )}
      <p className="text-xs">{isOld ? t('sides.old') : t('sides.light', { light: t(`light.${viewing.light}`) })}</p>
      {pictures[0] && (
        <figure className="w-full">
          <img
            className="max-h-44 w-full object-contain"
            src={imageOf(pictures[0])}
            alt={t('sides.reference', { name: pictures[0].name })}
          />
          <figcaption className="text-xs">{pictures[0].name}</figcaption>
        </figure>
      )}
    </section>
  )
}
