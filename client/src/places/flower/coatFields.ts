import type { Coat, CoatView, Material } from '../../api/api'
import type { ProblemAt } from '../../shared/Editor'
import type { NameOf } from '../../shared/words'

/** What the fields of a coat of one kind are given. */
export interface CoatFieldsProps<C extends Coat> {
  coat: C
  /** Amounts of it; missing while the plan is not possible. */
  view: CoatView | undefined
  materials: Material[]
  nameOf: NameOf
  /** Path within the coat. */
  problemAt: ProblemAt
  onChange: (coat: Coat) => void
}
