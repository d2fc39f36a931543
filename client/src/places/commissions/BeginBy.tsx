import { useQuery } from '@tanstack/react-query'
import { Link } from 'wouter'
import type { CommissionView } from '../../api/api'
import { queries } from '../../api/queries'
import { useTranslation } from '../../shared/translation'
import { dayWords } from '../../shared/words'

/**
 * Until when an open commission may be begun and still be ready in time. Its line is there before that is worked out, so
 * that nothing moves away under a pointer.
 */
export function BeginBy({ commission, hasBegun }: { commission: CommissionView; hasBegun: boolean }) {
  const { t } = useTranslation()
  const found = useQuery(queries.lastBegin(commission.id)).data
  return (
    <p className="min-h-6 basis-full text-sm">
      {found?.on && t(hasBegun ? 'commission.goOnBy' : 'commission.beginBy', { day: dayWords(found.on) })}
      {found?.verdict === 'tooLate' && (
        <Link className="act font-semibold" to="/plan">
          {t('commission.tooLate')}
        </Link>
      )}
    </p>
  )
}
