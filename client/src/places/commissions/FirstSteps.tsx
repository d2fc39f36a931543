import { useQuery } from '@tanstack/react-query'
import { Check } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import { queries } from '../../api/queries'
import { PutInStarterJars } from '../../shared/PutInStarterJars'

/** A studio without work: what to do first, one thing after the other. */
export function FirstSteps() {
  const { t } = useTranslation()
  const materials = useQuery(queries.materials()).data
  const jars = materials?.length ?? 0
  return (
    <section aria-labelledby="first-steps" className="max-w-2xl px-4 pb-10 lg:px-6">
      <h2 id="first-steps" className="name text-xl">
        {t('firstSteps.title')}
      </h2>
      <ol className="divide-base-300 mt-2 divide-y">
        <Step number={1} isDone={jars > 0} title={t('firstSteps.cabinet')} help={t('firstSteps.cabinetHelp')}>
          {jars > 0 ? (
            <Link className="act min-h-6 text-sm" to="/cabinet">
              {t('firstSteps.jars', { count: jars })}
            </Link>
          ) : (
            <>
              <PutInStarterJars />
              <Link className="btn btn-sm" to="/cabinet/new">
                {t('firstSteps.own')}
              </Link>
            </>
          )}
        </Step>
        <Step number={2} isDone={false} title={t('firstSteps.commission')} help={t('firstSteps.commissionHelp')}>
          <Link className="btn btn-sm btn-primary" to="/commissions/new">
            {t('commission.new')}
          </Link>
        </Step>
        <Step number={3} isDone={false} title={t('firstSteps.petal')} help={t('firstSteps.petalHelp')} />
      </ol>
    </section>
  )
}

function Step({
  number,
  isDone,
  title,
  help,
  children,
}: {
  number: number
  isDone: boolean
  title: string
  help: string
  children?: React.ReactNode
}) {
  const { t } = useTranslation()
  return (
    <li className="flex gap-4 py-3">
      <span className="name w-6 shrink-0 text-xl" aria-hidden>
        {isDone ? <Check size={22} /> : number}
      </span>
      <div>
        <h3 className="font-semibold">
          {title}
          {isDone && <span className="sr-only"> {t('firstSteps.done')}</span>}
        </h3>
        <p className="quiet max-w-prose text-sm">{help}</p>
        {children && <div className="mt-2 flex flex-wrap items-center gap-2">{children}</div>}
      </div>
    </li>
  )
}
