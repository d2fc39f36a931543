import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { TFunction } from '../../shared/translation'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { PasteDay } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { isClash, RequestFailed } from '../../core/RequestFailed'
import { Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import type { NameOf } from '../../shared/words'
import { deltaE, grams, problemWords, scale, troubleWords } from '../../shared/words'
import { useProblems } from '../../shared/useProblems'
import { Term } from '../../shared/Term'

type Flower = PasteDay['commissions'][number]['flowers'][number]

/** From the number of flowers to grams and balls for every piece. */
export function Quantities({ day, isIn, nameOf }: { day: PasteDay; isIn: (id: string) => boolean; nameOf: NameOf }) {
  const { t } = useTranslation()
  return (
    <>
      {day.commissions
        .filter(({ commission }) => isIn(commission.id))
        .map(({ commission, flowers }) => (
          <section key={commission.id} aria-labelledby={`q-${commission.id}`} className="mt-4">
            <h2 id={`q-${commission.id}`} className="name text-xl">
              {commission.name}
            </h2>
            {flowers.map((flower) => (
              <FlowerQuantities key={flower.id} flower={flower} nameOf={nameOf} />
            ))}
            <p className="mt-2 text-sm font-semibold">
              {t('pasteDay.total', {
                mass: scale(
                  t,
                  flowers.flatMap((flower) => flower.pieces).reduce((sum, piece) => sum + piece.grams, 0),
                ),
              })}
            </p>
          </section>
        ))}
      <p className="quiet mt-4 max-w-prose text-sm">{t('pasteDay.quantityHelp')}</p>
    </>
  )
}

function FlowerQuantities({ flower, nameOf }: { flower: Flower; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const save = useMutation({
    mutationFn: ({ from, counts }: { from: number; counts: { flowers: number; buds: number } }) =>
      answer(
        api.PUT('/api/flowers/{id}/counts', {
          params: { path: { id: flower.id } },
          headers: madeFrom(from),
          body: counts,
        }),
      ),
    // Everything that hangs on how many there are; and what there is now, if somebody else was quicker.
    onSettled: () => client.invalidateQueries(),
  })
  const failed = save.error instanceof RequestFailed ? save.error : null
  const problemAt = useProblems([save.error], nameOf)
  // Saved when the field is left: half a number is no number of flowers.
  const [typed, setTyped] = useState<{ from?: number; flowers?: number; buds?: number }>({})
  const counts = { flowers: typed.flowers ?? flower.flowers, buds: typed.buds ?? flower.buds }
  // What came in while she typed she has not seen: it goes by what there was when she began.
  const type = (part: { flowers?: number; buds?: number }) =>
    setTyped((was) => ({ from: flower.version, ...was, ...part }))
  const commit = () => {
    if (counts.flowers === flower.flowers && counts.buds === flower.buds) return
    save.mutate(
      { from: typed.from ?? flower.version, counts },
      {
        onSuccess: () => setTyped({}),
        // What there is now is shown, so that leaving the field does not write over it.
        onError: (error) => isClash(error) && setTyped({}),
      },
    )
  }
  return (
    <div className="mt-3">
      <div
        className="flex flex-wrap items-end gap-4"
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && commit()}
      >
        <h3 className="name text-lg">{flower.name}</h3>
        <NumberField
          label={t('pasteDay.flowers', { name: flower.name })}
          value={counts.flowers}
          problem={problemAt('flowers')}
          whole
          onChange={(flowers) => type({ flowers })}
        />
        <NumberField
          label={t('pasteDay.buds', { name: flower.name })}
          value={counts.buds}
          problem={problemAt('buds')}
          whole
          onChange={(buds) => type({ buds })}
        />
      </div>
      {failed && failed.problems.length === 0 && <Problem>{troubleWords(t, failed)}</Problem>}
      <div
        className="overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label={t('pasteDay.tableOf', { name: flower.name })}
      >
        <table className="table table-sm">
          <thead>
            <tr className="quiet">
              <th>{t('pasteDay.column.piece')}</th>
              <th className="text-right">{t('pasteDay.column.needed')}</th>
              <th>
                <Term name="spare">{t('pasteDay.column.spares')}</Term>
              </th>
              <th className="text-right">{t('pasteDay.column.each')}</th>
              <th className="text-right">{t('pasteDay.column.ball')}</th>
              <th className="text-right">{t('pasteDay.column.batch')}</th>
              <th>{t('pasteDay.column.wire')}</th>
            </tr>
          </thead>
          <tbody>
            {flower.pieces.map((piece) => (
              <tr key={piece.id}>
                <td>{piece.name}</td>
                <td className="text-right">{piece.needed}</td>
                <td>
                  <Spares key={piece.spareShare} piece={piece} nameOf={nameOf} />
                </td>
                <td className="text-right">{grams(t, piece.pieceG)}</td>
                <td className="text-right">{t('pasteDay.mm', { ball: piece.ball })}</td>
                <td className="text-right font-semibold">{scale(t, piece.grams)}</td>
                <td>{wireWords(t, piece, nameOf)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  )
}

/** How many more are made than needed; for fragile pieces more are proposed. */
function Spares({ piece, nameOf }: { piece: Flower['pieces'][number]; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [typed, setTyped] = useState<number | null>(null)
  const save = useMutation({
    mutationFn: (spareShare: number) =>
      answer(
        api.PUT('/api/pieces/{id}/spares', {
          params: { path: { id: piece.id } },
          headers: madeFrom(piece.version),
          body: { spareShare },
        }),
      ),
    onError: (error) => isClash(error) && setTyped(null),
    onSettled: () => client.invalidateQueries(),
  })
  const failed = save.error instanceof RequestFailed ? save.error : null
  const commit = () => typed !== null && typed / 100 !== piece.spareShare && save.mutate(typed / 100)
  const usual = { percent: Math.round(100 * piece.usualSpareShare), name: piece.name }
  return (
    <div onBlur={commit} onKeyDown={(event) => event.key === 'Enter' && commit()}>
      <div className="flex items-center gap-2">
        <NumberField
          label={t('pasteDay.sparesOf', { name: piece.name })}
          hideLabel
          unit="%"
          value={typed ?? 100 * piece.spareShare}
          problem={failed?.problems[0] && problemWords(t, failed.problems[0], nameOf)}
          onChange={setTyped}
        />
        <span className="quiet whitespace-nowrap">
          {t('pasteDay.spareCount', { count: piece.pieces - piece.needed })}
        </span>
      </div>
      {piece.usualSpareShare > piece.spareShare + 0.02 && (
        <button
          className="act min-h-6 text-xs print:hidden"
          aria-label={t('pasteDay.usualSparesOf', usual)}
          onClick={() => save.mutate(piece.usualSpareShare)}
        >
          {t('pasteDay.usualSpares', usual)}
        </button>
      )}
      {failed && failed.problems.length === 0 && <Problem>{troubleWords(t, failed)}</Problem>}
    </div>
  )
}

/** "26 gauge; White Wire does not show" */
function wireWords(t: TFunction, piece: Flower['pieces'][number], nameOf: NameOf): string {
  const { wire } = piece
  if (!wire) return ''
  const gauge = t('pasteDay.wire.gauge', { gauge: wire.gauge })
  const [best] = wire.choices
  if (!best || piece.solid) return gauge
  return `${gauge}; ${t(`pasteDay.wire.${best.word}`, { name: nameOf(best.wireId), deltaE: deltaE(best.showsDeltaE) })}`
}
