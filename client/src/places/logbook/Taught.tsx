import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'wouter'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { percent } from '../../shared/numbers'
import { Swatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { inSentence } from '../../shared/inSentence'
import type { Zone } from '../../api/api'
import { deltaE } from '../../shared/words'

/** What one entry has taught: its jars, the hand, and what comes out otherwise for it. Asked for when it is opened. */
export function Taught({ id, isPaste, nameOf }: { id: string; isPaste: boolean; nameOf: NameOf }) {
  const { t } = useTranslation()
  const [isOpen, setOpen] = useState(false)
  const taught = useQuery({ ...queries.taught(id), enabled: isOpen })
  return (
    <details className="relative mt-1" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="act min-h-6">{t('learned.entry.taught')}</summary>
      <Failure error={taught.error} nameOf={nameOf} />
      {taught.data && taught.data.jars.length === 0 && !taught.data.zone && <p>{t('learned.entry.taughtNothing')}</p>}
      {taught.data && (
        <ul className="mt-1">
          {taught.data.jars.map((jar) => (
            <li key={jar.materialId}>
              <Link className="act inline-flex min-h-6 items-center" to={`/cabinet/${jar.materialId}`}>
                {t('learned.entry.jar', {
                  name: nameOf(jar.materialId),
                  before: percent(jar.timesBefore),
                  after: percent(jar.timesAfter),
                })}
              </Link>
              {jar.range && deltaE(jar.range.before) !== deltaE(jar.range.after) && (
                <>; {t('learned.entry.surer', { before: deltaE(jar.range.before), after: deltaE(jar.range.after) })}</>
              )}
            </li>
          ))}
          {taught.data.hand.map((one) => (
            <li key={one.part}>
              {t('learned.entry.hand', {
                part: t(`learned.hand.${one.part}`),
                before: percent(one.timesBefore),
                after: percent(one.timesAfter),
              })}
            </li>
          ))}
          {taught.data.units.map((one, i) => (
            <li key={i}>
              {t('learned.entry.unit', {
                units: t(`dose.many.${one.kind}`),
                before: percent(one.timesBefore),
                after: percent(one.timesAfter),
              })}
            </li>
          ))}
          {taught.data.rest && (
            <li>
              {t('learned.entry.rest', {
                before: percent(taught.data.rest.timesBefore),
                after: percent(taught.data.rest.timesAfter),
              })}
            </li>
          )}
          {taught.data.zone && (
            <li>
              {t('learned.entry.zoneSurer', {
                before: deltaE(taught.data.zone.before),
                after: deltaE(taught.data.zone.after),
              })}
            </li>
          )}
        </ul>
      )}
      {taught.data && taught.data.plans.length > 0 && (
        <>
          <p className="mt-2">
            {t(isPaste ? 'learned.entry.plans' : 'learned.entry.pieces', { count: taught.data.plans.length })}
          </p>
          <ul className="mt-1 space-y-1">
            {taught.data.plans.map((plan) => (
              <li key={plan.pieceId} className="flex flex-wrap items-center gap-x-3">
                <span className="surround flex p-1">
                  <Swatch colour={plan.before} label={t('learned.entry.before')} className="h-8 w-12" />
                  <Swatch colour={plan.after} label={t('learned.entry.after')} className="h-8 w-12" />
                  <Swatch colour={plan.wanted} label={t('learned.entry.wanted')} className="h-8 w-12" />
                </span>
                <Link className="act" to={`/flowers/${plan.flowerId}/${plan.pieceId}`}>
                  {t('learned.entry.plan', {
                    piece: isPaste
                      ? plan.pieceName
                      : `${plan.pieceName}: ${inSentence(t(`zone.${plan.subject as Zone}`))}`,
                    flower: plan.flowerName,
                    deltaE: deltaE(plan.deltaE),
                  })}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </details>
  )
}
