import { useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import { queries } from '../../api/queries'
import { amountOf } from '../../shared/words'
import { inSentence } from '../../shared/inSentence'

/** Which plans take from a jar, and whether it is enough for them. */
export function WhereUsed({ id }: { id: string }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.needs())
  const need = data?.find((one) => one.materialId === id)
  if (!data) return null
  return (
    <section aria-labelledby="where-used" className="border-base-300 mt-8 border-t pt-4">
      <h2 id="where-used" className="font-semibold">
        {t('material.used.title')}
      </h2>
      {!need ? (
        <p className="quiet text-sm">{t('material.used.nowhere')}</p>
      ) : (
        <>
          <p className="text-sm">
            {t('material.used.mass', { mass: amountOf(t, need.measure, need.amount) })}{' '}
            {need.short !== null &&
              (need.short > 0 ? (
                <strong>{t('material.used.short', { short: amountOf(t, need.measure, need.short) })}</strong>
              ) : (
                t('material.used.enough')
              ))}
          </p>
          <ul className="mt-1 columns-2 text-sm">
            {need.uses.map((use) => (
              <li key={use.pieceId}>
                <Link className="act inline-block min-h-6" to={`/flowers/${use.flowerId}/${use.pieceId}`}>
                  {use.flower}, {inSentence(use.piece)}
                </Link>
              </li>
            ))}
            {need.moreUses > 0 && <li className="quiet">{t('material.used.more', { count: need.moreUses })}</li>}
          </ul>
        </>
      )}
    </section>
  )
}
