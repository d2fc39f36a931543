import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import type { Material, Operation } from '../../api/api'
import { answer, api } from '../../api/api'
import { measureOf, unitOf } from '../../shared/cabinet'
import { Failure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { useTranslation } from '../../shared/translation'
import { useProblems } from '../../shared/useProblems'
import type { NameOf } from '../../shared/words'
import { amountOf } from '../../shared/words'

/** What really went into a step that is done, where that was other than planned: the stock goes by it. */
export function WentIn({
  operation,
  materials,
  nameOf,
  onKept,
}: {
  operation: Operation
  materials: Material[]
  nameOf: NameOf
  onKept: () => Promise<unknown>
}) {
  const { t } = useTranslation()
  const { went, takes } = operation
  const known = takes.filter((take) => materials.some((one) => one.id === take.materialId))
  const [amounts, setAmounts] = useState<Record<string, number>>({})
  const amountNow = (id: string) =>
    amounts[id] ??
    went?.find((one) => one.materialId === id)?.amount ??
    takes.find((one) => one.materialId === id)!.amount
  const keep = useMutation({
    mutationFn: (asPlanned: boolean) =>
      answer(
        api.PUT('/api/ticks', {
          body: {
            isDone: true,
            operations: [
              {
                id: operation.id,
                fingerprint: operation.fingerprint,
                went: asPlanned ? null : known.map(({ materialId }) => ({ materialId, amount: amountNow(materialId) })),
              },
            ],
          },
        }),
      ),
    onSuccess: async () => {
      await onKept()
      setAmounts({})
    },
  })
  const problemAt = useProblems([keep.error])
  if (operation.tickedAt === null || known.length === 0) return null
  const kindOf = (id: string) => materials.find((one) => one.id === id)!.kind
  return (
    <details className="pb-2 pl-16 text-sm print:hidden">
      <summary className="act min-h-8 cursor-pointer">
        {went
          ? t('went.said', {
              what: went
                .map((one) => `${amountOf(t, measureOf(kindOf(one.materialId)), one.amount)} ${nameOf(one.materialId)}`)
                .join(', '),
            })
          : t('went.other')}
      </summary>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        {known.map(({ materialId, amount }, i) => (
          <NumberField
            key={materialId}
            label={t('went.of', {
              name: nameOf(materialId),
              planned: amountOf(t, measureOf(kindOf(materialId)), amount),
            })}
            unit={unitOf(kindOf(materialId))}
            value={Math.round(1000 * amountNow(materialId)) / 1000}
            problem={problemAt(`operations[0].went[${i}].amount`)}
            onChange={(value) => setAmounts({ ...amounts, [materialId]: value })}
          />
        ))}
        <button className="btn btn-sm" disabled={keep.isPending} onClick={() => keep.mutate(false)}>
          {t('went.keep')}
        </button>
        {went && (
          <button className="btn btn-sm" disabled={keep.isPending} onClick={() => keep.mutate(true)}>
            {t('went.planned')}
          </button>
        )}
      </div>
      <Failure error={keep.error} nameOf={nameOf} />
    </details>
  )
}
