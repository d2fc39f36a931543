import { useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { Material } from '../../api/api'
import { queries } from '../../api/queries'
import { amountOf, dayWords, nameFinder } from '../../shared/words'

/** What the maker should know before the next job: what runs short, what is past its day, what may stand there twice. */
export function CabinetNotes({ materials }: { materials: Material[] }) {
  const { t } = useTranslation()
  const needs = useQuery(queries.needs())
  const duplicates = useQuery(queries.duplicates())
  const nameOf = nameFinder(materials)
  const short = (needs.data ?? []).filter((need) => (need.short ?? 0) > 0)
  const today = new Date().toISOString().slice(0, 10)
  const old = materials.filter((m) => !m.isRetired && m.supply.bestBefore != null && m.supply.bestBefore < today)
  if (short.length + old.length + (duplicates.data?.length ?? 0) === 0) return null
  const name = (id: string) => (
    <Link className="act" to={`/cabinet/${id}`}>
      {nameOf(id)}
    </Link>
  )
  return (
    <ul
      aria-label={t('cabinet.notes')}
      className="border-base-content mx-4 mb-4 space-y-1 border-l-4 pl-3 text-sm lg:mx-6"
    >
      {short.map((need) => (
        <li key={need.materialId}>
          {name(need.materialId)}{' '}
          {t('cabinet.short', {
            short: amountOf(t, need.measure, need.short!),
            needed: amountOf(t, need.measure, need.amount),
            flowers: [...new Set(need.uses.map((use) => use.flower))].join(', '),
          })}
        </li>
      ))}
      {old.map((material) => (
        <li key={material.id}>
          {name(material.id)} {t('cabinet.past', { day: dayWords(material.supply.bestBefore!) })}
        </li>
      ))}
      {(duplicates.data ?? []).map(({ oneId, otherId, reason }) => (
        <li key={`${oneId} ${otherId}`}>
          {name(oneId)} {t('cabinet.and')} {name(otherId)} {t(`cabinet.twice.${reason}`)}
        </li>
      ))}
    </ul>
  )
}
