import { useTranslation } from '../../shared/translation'
import type { Division } from '../../api/api'
import { Swatch } from '../../shared/Swatch'

/** The few main colours of the flower, most of it first. */
export function DivisionParts({ division }: { division: Division }) {
  const { t } = useTranslation()
  if (division.parts.length === 0) return <p role="status">{t('pictures.nothing')}</p>
  return (
    <figure className="surround p-3 text-xs">
      <div className="flex">
        {division.parts.map((part, i) => (
          <span key={i} className="flex min-w-6" style={{ flexGrow: part.share }}>
            <Swatch colour={part.colour} className="h-8 w-full" />
          </span>
        ))}
      </div>
      <figcaption className="pt-1">
        <span role="status">{t('pictures.parts', { count: division.parts.length })}</span>
      </figcaption>
    </figure>
  )
}
