import { useState } from 'react'
import { Link } from 'wouter'
import type { ColourView, FlowerAnswer, PieceChange, PieceView, TogetherAnswer } from '../../api/api'
import { InlineSwatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { deltaE, zoneName } from '../../shared/words'
import { coatDetail } from './coatWords'

type Names = Map<string, { piece: PieceView; flower: FlowerAnswer; full: string }>

/** What is mixed, down, for which pieces, across; and which of them are used. */
export function PotsByPiece({
  answer,
  names,
  nameOf,
  isSaving,
  onUse,
}: {
  answer: TogetherAnswer
  names: Names
  nameOf: NameOf
  isSaving: boolean
  onUse: (changes: PieceChange[]) => void
}) {
  const { t } = useTranslation()
  const { changes, pastes, pots, noWay, pastesBefore, potsBefore, reachedDeltaE } = answer
  // What would be worse than now is not used unless she says so.
  const [left, setLeft] = useState(() => changes.filter((one) => isWorse(one, reachedDeltaE)).map((one) => one.pieceId))
  const used = changes.filter((change) => !left.includes(change.pieceId))
  const cell = 'border-base-300 border-l px-2 py-1 align-top'
  return (
    <section aria-label={t('joint.result')} className="space-y-3">
      <p role="status" className="text-sm">
        {t('joint.pastes', { count: pastes.length, before: pastesBefore })}{' '}
        {t('joint.pots', { count: pots.length, before: potsBefore })}
      </p>
      {noWay.map((id) => (
        <p key={id} className="text-sm">
          {t('joint.noWay', { piece: names.get(id)?.full ?? '' })}
        </p>
      ))}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t('joint.result')}>
        <table className="w-full min-w-max border-separate border-spacing-0 text-left text-sm">
          <caption className="sr-only">{t('joint.result')}</caption>
          <thead>
            <tr className="align-bottom">
              <td />
              {changes.map((change) => (
                <th key={change.pieceId} scope="col" className="border-base-300 max-w-36 border-l px-2 pb-1">
                  <Link className="act" to={`/flowers/${names.get(change.pieceId)?.flower.id}/${change.pieceId}`}>
                    {names.get(change.pieceId)?.piece.name}
                  </Link>
                  <span className="quiet block text-xs font-normal">{names.get(change.pieceId)?.flower.name}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <RowHead>{t('joint.wanted')}</RowHead>
              {changes.map((change) => (
                <td key={change.pieceId} className={cell}>
                  <Zones change={change} names={names} />
                </td>
              ))}
            </tr>
            <tr>
              <RowHead>{t('joint.farthest')}</RowHead>
              {changes.map((change) => (
                <td key={change.pieceId} className={cell}>
                  {t('joint.fromTo', { before: deltaE(change.worstBefore), after: deltaE(change.worstAfter) })}
                  <span className="block text-xs">
                    {t(
                      isWorse(change, reachedDeltaE)
                        ? 'joint.farther'
                        : change.worstAfter <= reachedDeltaE
                          ? 'joint.allThere'
                          : 'joint.stillOff',
                    )}
                  </span>
                </td>
              ))}
            </tr>
            <tr>
              <RowHead>{t('proposals.coats')}</RowHead>
              {changes.map((change) => (
                <td key={change.pieceId} className={cell}>
                  {t('joint.fromTo', { before: change.coatsBefore, after: change.coats.length })}
                </td>
              ))}
            </tr>
            {pastes.map((row, i) => (
              <tr key={i}>
                <RowHead colour={row.colour}>
                  {t('joint.paste')}:{' '}
                  {[row.recipe.baseId, ...row.recipe.doses.map((dose) => dose.colourantId)].map(nameOf).join(' + ')}
                </RowHead>
                {changes.map((change) => (
                  <td key={change.pieceId} className={cell}>
                    {row.pieceIds.includes(change.pieceId) ? t('joint.shapedFromIt') : ''}
                  </td>
                ))}
              </tr>
            ))}
            {pots.map((row, i) => (
              <tr key={i}>
                <RowHead colour={row.colour}>
                  {t(`coat.kind.${row.kind}`)}: {row.materialIds.map(nameOf).join(' + ')}
                </RowHead>
                {changes.map((change) => (
                  <td key={change.pieceId} className={`${cell} max-w-36 text-xs`}>
                    {coatsFrom(row, change).map((coat) => (
                      <span key={coat.id} className="block">
                        {coatDetail(
                          t,
                          coat,
                          change.coats.find((view) => view.id === coat.id),
                        )}
                      </span>
                    ))}
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <RowHead>{t('joint.use')}</RowHead>
              {changes.map((change) => (
                <td key={change.pieceId} className={cell}>
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    aria-label={t('joint.usePiece', { piece: names.get(change.pieceId)?.full ?? '' })}
                    checked={!left.includes(change.pieceId)}
                    onChange={(event) =>
                      setLeft((was) =>
                        event.target.checked ? was.filter((id) => id !== change.pieceId) : [...was, change.pieceId],
                      )
                    }
                  />
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      <button className="btn btn-sm btn-primary" disabled={isSaving || used.length === 0} onClick={() => onUse(used)}>
        {t('joint.take', { count: used.length })}
      </button>
    </section>
  )
}

const isWorse = ({ worstBefore, worstAfter }: PieceChange, reachedDeltaE: number) =>
  worstAfter > reachedDeltaE && worstAfter > worstBefore

const coatsFrom = (row: TogetherAnswer['pots'][number], change: PieceChange) => {
  const ids = row.uses.find((use) => use.pieceId === change.pieceId)?.coatIds ?? []
  return change.plan.coats.filter((coat) => ids.includes(coat.id))
}

function RowHead({ colour, children }: { colour?: ColourView; children: React.ReactNode }) {
  return (
    <th scope="row" className="max-w-56 py-1 pr-2 align-top font-normal">
      <span className="flex gap-2">
        {colour && <InlineSwatch colour={colour} />}
        <span>{children}</span>
      </span>
    </th>
  )
}

/** Wanted over what would come, zone by zone. */
function Zones({ change, names }: { change: PieceChange; names: Names }) {
  const { t } = useTranslation()
  const build = names.get(change.pieceId)?.piece.build ?? 'flat'
  return (
    <span className="surround inline-flex gap-1 p-1">
      {change.zones.map((zone) => (
        <span
          key={zone.zone}
          role="img"
          aria-label={t('joint.zoneOff', {
            zone: zoneName(t, zone.zone, build),
            deltaE: deltaE(zone.difference.deltaE),
          })}
          title={t('joint.zoneOff', { zone: zoneName(t, zone.zone, build), deltaE: deltaE(zone.difference.deltaE) })}
          className="inline-block"
        >
          <span className="block h-4 w-5" style={{ backgroundColor: zone.target.hex }} />
          <span className="block h-4 w-5" style={{ backgroundColor: zone.after.hex }} />
        </span>
      ))}
    </span>
  )
}
