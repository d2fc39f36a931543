import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'wouter'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { percent } from '../../shared/numbers'
import { Swatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { deltaE } from '../../shared/words'

/** What one entry has taught: its jars, and the pastes that come out otherwise for it. Asked for when it is opened. */
export function Taught({ id, nameOf }: { id: string; nameOf: NameOf }) {
  const { t } = useTranslation()
  const [isOpen, setOpen] = useState(false)
  const taught = useQuery({ ...queries.taught(id), enabled: isOpen })
  return (
    <details className="relative mt-1" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="act min-h-6">{t('learned.entry.taught')}</summary>
      <Failure error={taught.error} nameOf={nameOf} />
      {taught.data && taught.data.jars.length === 0 && <p>{t('learned.entry.taughtNothing')}</p>}
      {taught.data && (
        <ul className="mt-1">
          {taught.data.jars.map((jar) => (
            <li key={jar.colourantId}>
              <Link className="act" to={`/cabinet/${jar.colourantId}`}>
                {t('learned.entry.jar', {
                  name: nameOf(jar.colourantId),
                  before: percent(jar.timesBefore),
                  after: percent(jar.timesAfter),
                })}
              </Link>
              ; {t('learned.entry.surer', { before: deltaE(jar.rangeBefore), after: deltaE(jar.rangeAfter) })}
            </li>
          ))}
        </ul>
      )}
      {taught.data && taught.data.plans.length > 0 && (
        <>
          <p className="mt-2">{t('learned.entry.plans', { count: taught.data.plans.length })}</p>
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
                    piece: plan.pieceName,
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
