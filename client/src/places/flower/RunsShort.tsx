import { useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import { queries } from '../../api/queries'
import type { NameOf } from '../../shared/words'
import { amountOf } from '../../shared/words'

/** Which of a piece's materials the shelf cannot cover, counting all plans that take from it. */
export function RunsShort({ pieceId, nameOf }: { pieceId: string; nameOf: NameOf }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.needs(pieceId))
  const short = (data ?? []).filter((need) => (need.short ?? 0) > 0)
  if (short.length === 0) return null
  return (
    <ul aria-label={t('piece.runsShort')} className="border-base-content mx-4 mb-2 border-l-4 pl-3 text-sm">
      {short.map((need) => (
        <li key={need.materialId}>
          <Link className="act" to={`/cabinet/${need.materialId}`}>
            {nameOf(need.materialId)}
          </Link>{' '}
          {t('piece.short', {
            short: amountOf(t, need.measure, need.short!),
            needed: amountOf(t, need.measure, need.amount),
          })}
        </li>
      ))}
    </ul>
  )
}
