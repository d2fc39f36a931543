import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { LeftoverView, PasteBlock } from '../../api/api'
import { answer, api } from '../../api/api'
import { Failure, Problem } from '../../shared/Message'
import { InlineSwatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, scale } from '../../shared/words'

/** The leftover that goes into a paste, as its first steps; or those that could go in. */
export function Leftovers({ block, nameOf }: { block: PasteBlock; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const params = { path: { block: block.key } }
  const choose = useMutation({
    mutationFn: (batchId: string | null) =>
      batchId
        ? answer(api.PUT('/api/paste-day/{block}/leftover', { params, body: { batchId } }))
        : answer(api.DELETE('/api/paste-day/{block}/leftover', { params })),
    onSettled: () => client.invalidateQueries({ queryKey: ['paste-day'] }),
  })
  const { leftover } = block
  return (
    <div className="text-sm">
      {leftover && (
        <>
          <p className="quiet">
            {t('pasteDay.leftover.whole', {
              difference: differenceWords(t, leftover.difference),
              deltaE: deltaE(leftover.difference.deltaE),
            })}{' '}
            <InlineSwatch colour={leftover.colour} />{' '}
            {!block.tickedAt && (
              <button className="act min-h-6 print:hidden" onClick={() => choose.mutate(null)}>
                {t('pasteDay.leftover.leave')}
              </button>
            )}
          </p>
          <p>
            {t(leftover.keptIn ? 'pasteDay.leftover.take' : 'pasteDay.leftover.takeNoPlace', {
              keep: scale(t, leftover.keepG),
              name: leftover.name,
              place: leftover.keptIn,
            })}{' '}
            {leftover.freshG > 0
              ? t('pasteDay.leftover.fresh', {
                  mass: scale(t, leftover.freshG),
                  paste: nameOf(block.parts[0]!.recipe.baseId),
                })
              : block.parts[0]!.batch.colours.length === 0 && t('pasteDay.leftover.nothing')}{' '}
            {block.parts[0]!.batch.colours.length > 0 && t('pasteDay.leftover.colours')}
          </p>
        </>
      )}
      {block.leftoverGone && (
        <Problem>
          {t('pasteDay.leftover.gone')}{' '}
          <button className="act min-h-6 print:hidden" onClick={() => choose.mutate(null)}>
            {t('pasteDay.leftover.forget')}
          </button>
        </Problem>
      )}
      {block.offers.length > 0 && (
        <details className="print:hidden">
          <summary className="act min-h-6">{t('pasteDay.leftover.offers', { count: block.offers.length })}</summary>
          <ul className="mt-1 space-y-1">
            {block.offers.map((offer) => (
              <Offer key={offer.batchId} offer={offer} onUse={() => choose.mutate(offer.batchId)} />
            ))}
          </ul>
        </details>
      )}
      <Failure error={choose.error} nameOf={nameOf} />
    </div>
  )
}

function Offer({ offer, onUse }: { offer: LeftoverView; onUse: () => void }) {
  const { t } = useTranslation()
  return (
    <li>
      <InlineSwatch colour={offer.colour} />{' '}
      {t(offer.asItIs ? 'pasteDay.leftover.asItIs' : 'pasteDay.leftover.brought', {
        keep: scale(t, offer.keepG),
        name: offer.name,
      })}{' '}
      {t('pasteDay.leftover.whole', {
        difference: differenceWords(t, offer.difference),
        deltaE: deltaE(offer.difference.deltaE),
      })}{' '}
      <button className="btn btn-xs" aria-label={t('pasteDay.leftover.useOf', { name: offer.name })} onClick={onUse}>
        {t('pasteDay.leftover.use')}
      </button>
    </li>
  )
}
