import { useQuery } from '@tanstack/react-query'
import { Link } from 'wouter'
import type { CommissionView } from '../../api/api'
import { queries } from '../../api/queries'
import { useTranslation } from '../../shared/translation'
import { dayWords } from '../../shared/words'

/** Until when it may be begun and still be ready in time; nothing until that is known, or where it says nothing. */
export function BeginBy({ commission, hasBegun }: { commission: CommissionView; hasBegun: boolean }) {
  const { t } = useTranslation()
  const found = useQuery({ ...queries.lastBegin(commission.id), enabled: commission.isOpen }).data
  if (found?.on) return ` · ${t(hasBegun ? 'commission.goOnBy' : 'commission.beginBy', { day: dayWords(found.on) })}`
  if (found?.verdict !== 'tooLate') return null
  return (
    <>
      {' · '}
      <Link className="act font-semibold" to="/plan">
        {t('commission.tooLate')}
      </Link>
    </>
  )
}
