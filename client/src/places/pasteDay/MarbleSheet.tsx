import { useTranslation } from '../../shared/translation'
import type { MarbleLook } from '../../api/api'
import { FieldPicture } from '../../shared/FieldPicture'
import { Swatch } from '../../shared/Swatch'
import { deltaE } from '../../shared/words'
import { useWidth } from './useWidth'
import { fixed } from '../../shared/numbers'
import { inSentence } from '../../shared/inSentence'

/** The rolled sheet, six pieces cut from it, and the flat colour it would become. */
export function MarbleSheet({ look }: { look: MarbleLook }) {
  const { t } = useTranslation()
  const { ref, width } = useWidth<HTMLDivElement>(500)
  const { seen } = look
  const sheet = { widthMm: look.sheetWidthMm, lengthMm: look.sheetHeightMm }
  return (
    <section aria-label={t('marble.sheet')} className="surround px-4 py-5 lg:px-6">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4 print:gap-x-4">
        <div ref={ref} className="max-w-md min-w-0 grow basis-80 print:max-w-52 print:basis-52">
          <FieldPicture
            field={look.sheet}
            piece={sheet}
            heightPx={Math.round((Math.min(width, 448) * sheet.lengthMm) / sheet.widthMm)}
            label={t('marble.sheetPart', {
              width: Math.round(sheet.widthMm),
              height: Math.round(sheet.lengthMm),
              look: t(`marble.look.${seen.look}`),
            })}
          />
          <p className="mt-1 text-xs">
            {t('marble.scale', { width: Math.round(sheet.widthMm), side: Math.round(look.sheetSideMm) })}
          </p>
        </div>
        {look.piece && (
          <ul className="grid grid-cols-3 gap-3" aria-label={t('marble.cuts', { piece: inSentence(look.piece.name) })}>
            {look.cuts.map((cut, i) => (
              <li key={i}>
                <FieldPicture
                  field={cut}
                  piece={look.piece!}
                  heightPx={130}
                  label={t('marble.cut', { number: i + 1 })}
                />
              </li>
            ))}
          </ul>
        )}
        <div className="min-w-0 basis-56 text-sm print:basis-36">
          <p className="text-base font-semibold">{t(`marble.look.${seen.look}`)}</p>
          <p>{t('marble.contrast', { deltaE: deltaE(seen.contrast) })}</p>
          {seen.look !== 'flat' && (
            <p>
              {t('marble.streaks', {
                usual: millimetres(seen.usualMm),
                narrow: millimetres(seen.narrowMm),
                wide: millimetres(seen.wideMm),
              })}
            </p>
          )}
          {look.likeness && <p>{t(`marble.alike.${look.likeness.word}`, { deltaE: deltaE(look.likeness.deltaE) })}</p>}
          <p className="mt-3 flex items-center gap-2">
            <Swatch colour={look.flat} label={t('marble.flat')} className="h-10 w-16" />
            {t('marble.flat')}
          </p>
        </div>
      </div>
    </section>
  )
}

const millimetres = (value: number) => fixed(value, value >= 10 ? 0 : 1)
