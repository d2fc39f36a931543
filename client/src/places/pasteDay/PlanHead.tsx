import type { ReactNode } from 'react'
import { Link } from 'wouter'
import type { MarbleAnswer, OmbreAnswer } from '../../api/api'
import { PageTitle } from '../../shared/PageTitle'
import { Term } from '../../shared/Term'
import type { TermName } from '../../shared/terms'

/** What a paste plan is for, its name, and what can be done with it. */
export function PlanHead({
  flowerId,
  kept,
  title,
  term,
  children,
}: {
  flowerId: string
  kept: OmbreAnswer | MarbleAnswer
  title: string
  /** The way that it gets its paste. */
  term: TermName
  children: ReactNode
}) {
  return (
    <div className="px-4 pt-5 pb-3 lg:px-6">
      <p className="text-xs print:hidden">
        <Link className="act" to={`/flowers/${flowerId}`}>
          {kept.flowerName}
        </Link>
        <span className="quiet"> · {kept.commission.name} · </span>
        <Term name={term} />
      </p>
      <PageTitle title={title} />
      {children}
    </div>
  )
}
