import { useQueries, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'wouter'
import type { Approach, FlowerAnswer, TogetherAnswer, TogetherRequest } from '../../api/api'
import { queries } from '../../api/queries'
import { NotThere } from '../../shared/Message'
import { NothingHere } from '../../shared/NothingHere'
import { PageTitle } from '../../shared/PageTitle'
import { PieceDrawing } from '../../shared/PieceDrawing'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'
import { useArrival } from '../../shared/useArrival'
import { useProblems } from '../../shared/useProblems'
import { nameFinder } from '../../shared/words'
import { useLongWork } from '../mixing/useLongWork'
import { WorkState } from '../mixing/WorkState'
import { JarsToUse } from './JarsToUse'
import { KeptTogether } from './KeptTogether'
import { PotsByPiece } from './PotsByPiece'
import { usePlansTogether } from './usePlansTogether'
import { CheckField } from '../../shared/CheckField'

const ways: Approach[] = ['pasteLed', 'dustLed', 'washLed']

/** Pieces of a commission planned together, from as few pastes and pots as do. */
export function TogetherPage() {
  const { commissionId = '' } = useParams()
  const commissions = useQuery(queries.commissions())
  const entry = commissions.data?.commissions.find((one) => one.commission.id === commissionId)
  const flowers = useQueries({ queries: (entry?.flowers ?? []).map((flower) => queries.flower(flower.id)) })
  const missing = flowers.find((flower) => !flower.data)
  if (!commissions.data) return <NotThere of={[commissions]} />
  if (!entry) return <NothingHere />
  if (missing) return <NotThere of={[missing]} />
  return (
    <Together
      commission={{ id: commissionId, name: entry.commission.name }}
      flowers={flowers.map((flower) => flower.data!)}
    />
  )
}

function Together({ commission, flowers }: { commission: { id: string; name: string }; flowers: FlowerAnswer[] }) {
  const { t } = useTranslation()
  const [search] = useSearchParams()
  const materials = useQuery(queries.materials()).data ?? []
  const first = flowers.filter((flower) => !search.get('flower') || flower.id === search.get('flower'))
  const [chosen, setChosen] = useState(() => first.flatMap((flower) => flower.pieces.map((piece) => piece.id)))
  const [approach, setApproach] = useState<Approach>('pasteLed')
  const [only, setOnly] = useState<string[]>([])
  const [keepPastes, setKeepPastes] = useState(false)
  const work = useLongWork<TogetherAnswer>(`/api/commissions/${commission.id}/proposals`)
  const plans = usePlansTogether(commission.id)
  const problemAt = useProblems([work.error])
  const table = useArrival<HTMLDivElement>(work.answer)
  const nameOf = nameFinder(materials)
  const names = new Map(
    flowers.flatMap((flower) =>
      flower.pieces.map((piece) => [piece.id, { piece, flower, full: `${piece.name}, ${flower.name}` }] as const),
    ),
  )
  const choose = (ids: string[], isChosen: boolean) =>
    setChosen((was) => (isChosen ? [...new Set([...was, ...ids])] : was.filter((id) => !ids.includes(id))))
  const request: TogetherRequest = { pieceIds: chosen, approach, only, keepPastes }
  return (
    <main className="w-full px-4 pt-5 pb-10 lg:px-6">
      <p className="text-xs">
        <Link className="act" to={`/commissions/${commission.id}`}>
          {commission.name}
        </Link>
      </p>
      <PageTitle title={t('joint.title')} />
      <p className="quiet mt-1 max-w-prose text-sm">{t('joint.help')}</p>
      <form
        className="mt-4 space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          plans.save.reset()
          plans.putBack.reset()
          work.start(request)
        }}
      >
        <fieldset>
          <legend className="font-semibold">{t('joint.pieces')}</legend>
          {problemAt('pieceIds') && <p className="text-error text-sm">{problemAt('pieceIds')}</p>}
          <div className="mt-1 grid gap-x-8 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
            {flowers.map((flower) => (
              <Flower key={flower.id} flower={flower} chosen={chosen} onChoose={choose} />
            ))}
          </div>
        </fieldset>
        <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
          <SelectField
            label={t('joint.way')}
            value={approach}
            options={ways.map((way) => ({ value: way, label: t(`approach.${way}.name`) }))}
            onChoose={(way) => setApproach(way as Approach)}
          />
          <p className="quiet min-h-8 text-sm leading-8">{t(`approach.${approach}.what`)}</p>
          <CheckField label={t('joint.keepPastes')} checked={keepPastes} onChange={setKeepPastes} />
        </div>
        <JarsToUse materials={materials} chosen={only} problem={problemAt('only')} onChoose={setOnly} />
        <div>
          <button className="btn btn-sm btn-primary" disabled={work.running || chosen.length === 0}>
            {t('joint.plan', { count: chosen.length })}
          </button>
          <WorkState work={work} nameOf={nameOf} />
        </div>
      </form>
      <div ref={table} className="mt-6 space-y-3">
        <KeptTogether plans={plans} nameOf={nameOf} />
        {work.answer && !plans.save.isSuccess && !plans.putBack.isSuccess && (
          <PotsByPiece
            key={JSON.stringify(work.answer.changes.map((change) => change.pieceId))}
            answer={work.answer}
            names={names}
            nameOf={nameOf}
            isSaving={plans.save.isPending}
            onUse={(changes) => plans.save.mutate(changes)}
          />
        )}
      </div>
    </main>
  )
}

function Flower({
  flower,
  chosen,
  onChoose,
}: {
  flower: FlowerAnswer
  chosen: string[]
  onChoose: (ids: string[], isChosen: boolean) => void
}) {
  const { t } = useTranslation()
  const ids = flower.pieces.map((piece) => piece.id)
  const all = ids.every((id) => chosen.includes(id))
  return (
    <div className="text-sm">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="name text-base">{flower.name}</span>
        <button type="button" className="act min-h-6" onClick={() => onChoose(ids, !all)}>
          {t(all ? 'joint.noneOf' : 'joint.allOf')}
          <span className="sr-only"> {flower.name}</span>
        </button>
      </p>
      {flower.pieces.map((piece) => (
        <label key={piece.id} className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={chosen.includes(piece.id)}
            onChange={(event) => onChoose([piece.id], event.target.checked)}
          />
          <span className="surround inline-flex h-8 w-10 items-center justify-center">
            <PieceDrawing piece={piece} heightPx={26} />
          </span>
          {piece.name}
        </label>
      ))}
    </div>
  )
}
