import { useQuery, useQueryClient } from '@tanstack/react-query'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { Link, useParams } from 'wouter'
import type { SprayItem, SprayPlan, SprayPlanAnswer } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { aside, queries } from '../../api/queries'
import { NotThere, Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { PageTitle } from '../../shared/PageTitle'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'
import { useHousePlan } from './useHousePlan'
import { inSentence } from '../../shared/inSentence'

type Stock = SprayPlanAnswer['stock'][number]

/** How the flowers of a commission are wired to sprays, from the end of the stem down. */
export function SprayPlanPage() {
  const { commissionId = '' } = useParams()
  const spray = useQuery({ ...queries.sprayPlan(commissionId), refetchOnWindowFocus: false })
  if (!spray.data) return <NotThere of={[spray]} />
  return <OpenSprayPlan key={spray.data.version} commissionId={commissionId} kept={spray.data} />
}

const keyOf = (one: Stock | SprayItem) => `${one.part} ${one.flowerId} ${one.pieceId ?? ''}`

function OpenSprayPlan({ commissionId, kept }: { commissionId: string; kept: SprayPlanAnswer }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const path = { params: { path: { id: commissionId } } }
  const { plan, change, isChanged, problemAt, head } = useHousePlan<SprayPlan>('spray-plan', commissionId, kept, {
    read: () => client.fetchQuery(aside(queries.sprayPlan(commissionId))),
    save: ({ plan: body, version }) =>
      answer(api.PUT('/api/commissions/{id}/spray-plan', { ...path, headers: madeFrom(version), body })),
    asTheHouse: (version) =>
      answer(api.POST('/api/commissions/{id}/spray-plan/as-the-house', { ...path, headers: madeFrom(version) })),
  })
  const stockOf = (item: SprayItem) => kept.stock.find((one) => keyOf(one) === keyOf(item))
  const setItem = (at: number, part: Partial<SprayItem>) =>
    change({ items: plan.items.map((item, i) => (i === at ? { ...item, ...part } : item)) })
  const general = problemAt('items')
  return (
    <main className="mx-auto w-full max-w-4xl p-4 pb-10 lg:p-6">
      <p className="text-xs">
        <Link className="act" to={`/commissions/${commissionId}/run-sheet`}>
          {kept.commissionName}
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <PageTitle className="text-2xl" title={t('sprayPlan.title', { commission: kept.commissionName })} />
        <p className="quiet text-sm">{t(kept.isOwn ? 'assembly.own' : 'assembly.house')}</p>
      </div>
      {head}
      {kept.problems.length > 0 && !isChanged && (
        <p role="alert" className="text-error mt-2 text-sm">
          {t('sprayPlan.leftBehind')}
        </p>
      )}
      <p className="mt-4 max-w-prose text-sm">{t('sprayPlan.help')}</p>
      <NumberField
        className="mt-3"
        label={t('sprayPlan.sprays')}
        whole
        value={plan.sprays}
        problem={problemAt('sprays')}
        onChange={(sprays) => change({ sprays })}
      />
      {general && (
        <div role="alert" className="mt-3">
          <Problem>{general}</Problem>
        </div>
      )}
      <ol className="border-base-300 mt-3 border-t">
        {plan.items.map((item, at) => (
          <Item
            key={`${keyOf(item)} ${at}`}
            item={item}
            at={at}
            last={plan.items.length - 1}
            stock={stockOf(item)}
            problemAt={(field) => problemAt(`items[${at}].${field}`)}
            onChange={(part) => setItem(at, part)}
            onMove={(by) => change({ items: plan.items.toSpliced(at, 1).toSpliced(at + by, 0, item) })}
            onRemove={() => change({ items: plan.items.toSpliced(at, 1) })}
          />
        ))}
      </ol>
      <SelectField
        label={t('sprayPlan.add')}
        value=""
        placeholder={t('assembly.choose')}
        options={kept.stock.map((one) => ({ value: keyOf(one), label: stockWords(t, one) }))}
        onChoose={(key) => {
          const one = kept.stock.find((other) => keyOf(other) === key)
          if (one)
            change({
              items: [
                ...plan.items,
                { part: one.part, flowerId: one.flowerId, pieceId: one.pieceId, count: 1, distanceMm: 0 },
              ],
            })
        }}
      />
      <Left plan={plan} stock={kept.stock} />
    </main>
  )
}

type T = ReturnType<typeof useTranslation>['t']

function stockWords(t: T, one: Stock) {
  const name = one.pieceName ? `${one.flowerName}, ${inSentence(one.pieceName)}` : one.flowerName
  return one.groupOf > 1
    ? t('sprayPlan.groups', { name, count: one.groupOf })
    : t(`sprayPlan.part.${one.part}`, { name })
}

function Item({
  item,
  at,
  last,
  stock,
  problemAt,
  onChange,
  onMove,
  onRemove,
}: {
  item: SprayItem
  at: number
  last: number
  stock: Stock | undefined
  problemAt: (field: string) => string | undefined
  onChange: (part: Partial<SprayItem>) => void
  onMove: (by: -1 | 1) => void
  onRemove: () => void
}) {
  const { t } = useTranslation()
  const name = stock ? stockWords(t, stock) : t('sprayPlan.gone')
  return (
    <li className="border-base-300 flex flex-wrap items-end gap-x-4 gap-y-2 border-b py-3">
      <span className="quiet w-5 pb-1 text-right">{at + 1}</span>
      <h2 className="min-w-48 grow pb-1 font-semibold">{name}</h2>
      <NumberField
        label={t('sprayPlan.count')}
        whole
        value={item.count}
        problem={problemAt('count')}
        onChange={(count) => onChange({ count })}
      />
      <NumberField
        label={t('sprayPlan.distance')}
        unit="mm"
        value={item.distanceMm}
        problem={problemAt('distanceMm')}
        onChange={(distanceMm) => onChange({ distanceMm })}
      />
      <button
        className="btn btn-sm btn-square"
        disabled={at === 0}
        aria-label={t('assembly.earlier', { name })}
        onClick={() => onMove(-1)}
      >
        <ArrowUp size={16} aria-hidden />
      </button>
      <button
        className="btn btn-sm btn-square"
        disabled={at === last}
        aria-label={t('assembly.later', { name })}
        onClick={() => onMove(1)}
      >
        <ArrowDown size={16} aria-hidden />
      </button>
      <button className="btn btn-sm" aria-label={t('assembly.removeNamed', { name })} onClick={onRemove}>
        {t('assembly.remove')}
      </button>
    </li>
  )
}

/** What is made and hangs on no spray: said, for single stems are wanted too. */
function Left({ plan, stock }: { plan: SprayPlan; stock: Stock[] }) {
  const { t } = useTranslation()
  const left = stock
    .map((one) => ({
      one,
      count:
        one.made -
        plan.sprays *
          plan.items.filter((item) => keyOf(item) === keyOf(one)).reduce((sum, item) => sum + item.count, 0),
    }))
    .filter(({ count }) => count > 0)
  if (left.length === 0) return null
  return (
    <p className="mt-3 max-w-prose text-sm">
      {t('sprayPlan.left', { what: left.map(({ one, count }) => `${count} ${stockWords(t, one)}`).join('; ') })}
    </p>
  )
}
