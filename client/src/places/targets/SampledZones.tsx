import { useTranslation } from '../../shared/translation'
import type { Patch, PictureMarks, Zone } from '../../api/api'
import { zones } from '../../api/api'
import { PictureDoubts } from '../../shared/PictureDoubts'
import { Swatch } from '../../shared/Swatch'
import { fixed } from '../../shared/numbers'
import { colourName } from '../../shared/words'
import { inSentence } from '../../shared/inSentence'

/** What was read at each place of a picture, to be taken as a target or looked at once more. */
export function SampledZones({
  samples,
  patchOf,
  onLooked,
  onUse,
}: {
  /** Of the piece that is open. */
  samples: PictureMarks['samples']
  /** Missing while it is being read. */
  patchOf: (zone: Zone) => Patch | undefined
  /** They lie where they should. */
  onLooked: (zones: Zone[]) => void
  onUse: (zone: Zone) => void
}) {
  const { t } = useTranslation()
  return (
    <ul className="space-y-2" aria-label={t('pictures.samples')}>
      {zones.map((one) => {
        const patch = patchOf(one)
        if (!patch) return null
        const isUnsure = samples.find((sample) => sample.zone === one)?.isUnsure
        return (
          <li key={one} className="border-base-300 border-t pt-2">
            <div className="flex items-center gap-3">
              <span className="surround p-2">
                <Swatch colour={patch.colour} label={t(`zone.${one}`)} className="block h-9 w-14" />
              </span>
              <span className="min-w-0 grow">
                <span className="font-semibold">{t(`zone.${one}`)}</span>
                <span className="block text-xs">{colourName(t, patch.colour)}</span>
                <span className="quiet block text-xs">{t('pictures.spread', { spread: fixed(patch.spread, 1) })}</span>
              </span>
              <button
                className="btn btn-sm"
                aria-label={t('pictures.useFor', { zone: inSentence(t(`zone.${one}`)) })}
                onClick={() => onUse(one)}
              >
                {t('pictures.use')}
              </button>
            </div>
            <PictureDoubts light={[]} patches={[patch]} />
            {isUnsure && (
              <p className="quiet flex flex-wrap items-center gap-x-2 text-xs">
                {t('pictures.unsure')}
                <button
                  className="act min-h-6"
                  aria-label={t('pictures.liesRightOf', { zone: inSentence(t(`zone.${one}`)) })}
                  onClick={() => onLooked([one])}
                >
                  {t('pictures.liesRight')}
                </button>
              </p>
            )}
          </li>
        )
      })}
    </ul>
  )
}
