import { useMutation, useQueries, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Coat } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { RequestFailed } from '../../core/RequestFailed'
import { Failure, NotThere } from '../../shared/Message'
import { useTranslation } from '../../shared/translation'
import { useProblems } from '../../shared/useProblems'
import type { NameOf } from '../../shared/words'
import { deltaE } from '../../shared/words'
import { KeptTogether } from './KeptTogether'
import { usePlansTogether } from './usePlansTogether'

interface Props {
  coat: Coat
  /** That it is on already. */
  pieceId: string
  flowerId: string
  nameOf: NameOf
}

/** The open coat put onto other pieces of its commission too: looked at first, then kept for all of them at once. */
export function PutOnOthers({ coat, pieceId, flowerId, nameOf }: Props) {
  const { t } = useTranslation()
  const own = useQuery(queries.flower(flowerId))
  const commissions = useQuery(queries.commissions())
  const entry = commissions.data?.commissions.find((one) => one.commission.id === own.data?.commission.id)
  const flowers = useQueries({ queries: (entry?.flowers ?? []).map((flower) => queries.flower(flower.id)) })
  const [chosen, setChosen] = useState<string[]>([])
  const commissionId = entry?.commission.id ?? ''
  const plans = usePlansTogether(commissionId)
  const look = useMutation({
    mutationFn: (pieceIds: string[]) =>
      answer(
        api.POST('/api/commissions/{id}/coat-onto', {
          params: { path: { id: commissionId } },
          body: { coat, pieceIds },
        }),
      ),
  })
  const problemAt = useProblems([look.error])
  if (!own.data || !entry || flowers.some((flower) => !flower.data))
    return <NotThere of={[own, commissions, ...flowers]} />
  const others = flowers
    .flatMap((flower) =>
      flower.data!.pieces.map((piece) => ({ id: piece.id, name: `${piece.name}, ${flower.data!.name}` })),
    )
    .filter((piece) => piece.id !== pieceId)
  const failed = look.error instanceof RequestFailed && look.error.problems.length > 0
  return (
    <div className="max-w-3xl">
      <p className="quiet my-1 max-w-prose">{t(others.length > 0 ? 'onto.help' : 'onto.none')}</p>
      <fieldset className="grid gap-x-4 sm:grid-cols-2">
        <legend className="sr-only">{t('onto.open')}</legend>
        {others.map((piece) => {
          const at = chosen.indexOf(piece.id)
          const change = look.data?.changes.find((one) => one.pieceId === piece.id)
          const problem = at < 0 ? undefined : problemAt(`pieceIds[${at}]`)
          return (
            <label key={piece.id} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={at >= 0}
                onChange={(event) => {
                  look.reset()
                  plans.save.reset()
                  setChosen(event.target.checked ? [...chosen, piece.id] : chosen.filter((id) => id !== piece.id))
                }}
              />
              <span>
                {piece.name}
                {change && (
                  <span className="quiet block text-xs">
                    {t('onto.moves', { before: deltaE(change.worstBefore), after: deltaE(change.worstAfter) })}
                  </span>
                )}
                {problem && <span className="text-error block text-xs">{problem}</span>}
              </span>
            </label>
          )
        })}
      </fieldset>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button
          className="btn btn-sm"
          disabled={chosen.length === 0 || look.isPending}
          onClick={() => look.mutate(chosen)}
        >
          {t('onto.look')}
        </button>
        {look.data && !plans.save.isSuccess && (
          <button
            className="btn btn-sm btn-primary"
            disabled={plans.save.isPending}
            onClick={() => plans.save.mutate(look.data.changes)}
          >
            {t('onto.put', { count: look.data.changes.length })}
          </button>
        )}
        <KeptTogether plans={plans} nameOf={nameOf} />
      </div>
      {!failed && <Failure error={look.error} nameOf={nameOf} />}
    </div>
  )
}
