import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { PieceView, Plan, Proposal, Proposals as Answer } from '../../api/api'
import { zones } from '../../api/api'
import { Editor } from '../../shared/Editor'
import { useArrival } from '../../shared/useArrival'
import { InlineSwatch } from '../../shared/Swatch'
import { minutesWords } from '../../shared/minutesWords'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords } from '../../shared/words'
import { useLongWork } from '../mixing/useLongWork'
import { WorkState } from '../mixing/WorkState'
import { coatDetail, coatName } from './coatWords'
import { CheckField } from '../../shared/CheckField'

/** Ways to reach the targets, side by side; one is taken and gone on with. */
export function Proposals({
  piece,
  plan,
  isPasteSettled,
  flowerId,
  nameOf,
  zoneName,
  onTake,
  onClose,
}: {
  piece: PieceView
  plan: Plan
  /** Its paste is planned or made elsewhere, and not to be chosen here. */
  isPasteSettled: boolean
  flowerId: string
  nameOf: NameOf
  zoneName: (zone: (typeof zones)[number]) => string
  onTake: (proposal: Proposal) => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  const [keepPaste, setKeepPaste] = useState(false)
  const work = useLongWork<Answer>(`/api/pieces/${piece.id}/proposals`)
  const found = work.answer
  const table = useArrival<HTMLDivElement>(found)
  return (
    <Editor title={t('proposals.title')} onClose={onClose}>
      <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        <CheckField
          label={t('proposals.keepPaste')}
          checked={keepPaste || isPasteSettled}
          disabled={isPasteSettled}
          onChange={setKeepPaste}
        />
        <button
          className="btn btn-sm btn-primary"
          disabled={work.running}
          onClick={() => work.start({ plan, keepPaste })}
        >
          {t('proposals.find')}
        </button>
        <WorkState work={work} nameOf={nameOf} />
        <p role="status" className="sr-only">
          {found && t('proposals.found', { count: found.proposals.length })}
        </p>
        {!found && !work.running && <p className="max-w-prose text-sm">{t('proposals.help')}</p>}
      </div>
      {found && (
        <div ref={table} className="overflow-x-auto" tabIndex={0} role="region" aria-label={t('proposals.sideBySide')}>
          <table className="w-full min-w-max border-separate border-spacing-0 text-left text-sm">
            <caption className="sr-only">{t('proposals.sideBySide')}</caption>
            <thead>
              <tr className="align-bottom">
                <td />
                {found.proposals.map((one) => (
                  <th key={one.approach} scope="col" className="border-base-300 max-w-42 border-l px-2 pb-1">
                    <span className="block">{t(`approach.${one.approach}.name`)}</span>
                    <span className="quiet block text-xs font-normal">{t(`approach.${one.approach}.what`)}</span>
                    {one.stands && <span className="block text-xs">{t('proposals.stands')}</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {zones.map((zone) => (
                <tr key={zone}>
                  <th scope="row" className="max-w-24 pr-2 font-normal">
                    {zoneName(zone)}
                  </th>
                  {found.proposals.map((one) => {
                    const reached = one.zones.find((view) => view.zone === zone)
                    return (
                      <td key={one.approach} className="border-base-300 border-l px-2 whitespace-nowrap">
                        {reached && (
                          <>
                            <InlineSwatch colour={reached.finished} /> {differenceWords(t, reached.difference)}{' '}
                            <span className="quiet text-xs">{deltaE(reached.difference.deltaE)}</span>
                          </>
                        )}
                      </td>
                    )
                  })}
                </tr>
              ))}
              <Row label={t('proposals.coats')} of={found.proposals} show={(one) => one.coats.length} />
              <Row label={t('proposals.materials')} of={found.proposals} show={(one) => one.materials} />
              <Row
                label={t('proposals.time', { count: piece.toMake })}
                of={found.proposals}
                show={(one) => minutesWords(t, one.minutesForAll)}
              />
              <Row
                label={t('proposals.risk')}
                of={found.proposals}
                show={(one) =>
                  t('proposals.riskWords', {
                    deltaE: deltaE(one.riskDeltaE),
                    name: one.riskMaterialId ? nameOf(one.riskMaterialId) : '',
                  })
                }
              />
              <Row label={t('proposals.food')} of={found.proposals} show={(one) => t(`food.${one.foodStatus}`)} />
              <tr className="align-top">
                <th scope="row" className="max-w-24 pr-2 font-normal">
                  {t('proposals.steps')}
                </th>
                {found.proposals.map((one) => (
                  <td key={one.approach} className="border-base-300 max-w-42 border-l px-2 py-1">
                    <ol className="list-decimal pl-4 text-xs">
                      <li>{pasteWords(one, nameOf)}</li>
                      {one.plan.coats.map((coat) => (
                        <li key={coat.id}>
                          {coatName(t, coat, viewOf(one, coat.id), nameOf)}: {coatDetail(t, coat, viewOf(one, coat.id))}
                        </li>
                      ))}
                    </ol>
                  </td>
                ))}
              </tr>
              <tr className="align-top">
                <th scope="row" className="max-w-24 pr-2 font-normal">
                  {t('proposals.missed')}
                </th>
                {found.proposals.map((one) => (
                  <td key={one.approach} className="border-base-300 max-w-42 border-l px-2 py-1 text-xs">
                    {one.help.length === 0
                      ? t('proposals.allReached')
                      : one.help.map((help) => (
                          <p key={help.zone}>
                            {t(`proposals.help_${help.help}`, {
                              zone: zoneName(help.zone),
                              material: help.materialId ? nameOf(help.materialId) : '',
                              deltaE: deltaE(help.deltaE),
                            })}
                          </p>
                        ))}
                    {one.marble.length > 0 && (
                      <p className="mt-1">
                        {t('proposals.marble', { percent: Math.round(100 * one.marble[0]!.share) })}{' '}
                        <Link className="act" to={`/flowers/${flowerId}/marble`}>
                          {t('proposals.toMarble')}
                        </Link>
                      </p>
                    )}
                  </td>
                ))}
              </tr>
              <tr>
                <td />
                {found.proposals.map((one) => (
                  <td key={one.approach} className="border-base-300 border-l px-3 py-2">
                    {!one.stands && (
                      <button className="btn btn-sm" onClick={() => onTake(one)}>
                        {t('proposals.take', { approach: t(`approach.${one.approach}.name`) })}
                      </button>
                    )}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </div>
      )}
    </Editor>
  )
}

function Row({ label, of, show }: { label: string; of: Proposal[]; show: (one: Proposal) => string | number }) {
  return (
    <tr>
      <th scope="row" className="max-w-24 pr-2 font-normal">
        {label}
      </th>
      {of.map((one) => (
        <td key={one.approach} className="border-base-300 border-l px-2 whitespace-nowrap">
          {show(one)}
        </td>
      ))}
    </tr>
  )
}

function pasteWords(one: Proposal, nameOf: NameOf): string {
  const { baseId, doses } = one.plan.paste
  return [nameOf(baseId), ...doses.map((dose) => nameOf(dose.colourantId))].join(' + ')
}

const viewOf = (proposal: Proposal, coatId: string) => proposal.coats.find((view) => view.id === coatId)
