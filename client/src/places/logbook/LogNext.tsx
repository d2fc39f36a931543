import { useQuery } from '@tanstack/react-query'
import { Link } from 'wouter'
import { queries } from '../../api/queries'
import { InlineSwatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { deltaE } from '../../shared/words'

/** Which paste of the open work would teach most if it were read. */
export function LogNext({ nameOf }: { nameOf: NameOf }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.logNext())
  if (!data || data.length === 0) return null
  return (
    <details className="relative mt-3 text-sm">
      <summary className="act min-h-6">{t('learned.next.title')}</summary>
      <p className="quiet mt-1">{t('learned.next.help')}</p>
      <ul className="mt-1 space-y-1">
        {data.map((one) => (
          <li key={one.pieceId}>
            <InlineSwatch colour={one.colour} />{' '}
            <Link className="act" to={`/flowers/${one.flowerId}/${one.pieceId}`}>
              {t('learned.next.one', { piece: one.pieceName, flower: one.flowerName })}
            </Link>{' '}
            {t('learned.next.now', { deltaE: deltaE(one.range) })}{' '}
            {one.surerIds.length > 0 &&
              t('learned.next.surer', { count: one.surerIds.length, names: one.surerIds.map(nameOf).join(', ') })}
          </li>
        ))}
      </ul>
    </details>
  )
}
