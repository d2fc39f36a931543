import { useTranslation } from './translation'
import { RequestFailed } from '../core/RequestFailed'
import type { ProblemAt } from './Editor'
import type { NameOf } from './words'
import { problemWords } from './words'

const asItIs: NameOf = (id) => id

/**
 * The words for what is wrong with a field, whichever request said so.
 * @param prefix Of the part of a request that the fields are in.
 */
export function useProblems(errors: unknown[], nameOf: NameOf = asItIs, prefix = ''): ProblemAt {
  const { t } = useTranslation()
  const problems = errors.flatMap((error) => (error instanceof RequestFailed ? error.problems : []))
  return (path) => {
    const problem = problems.find((one) => one.path === path || (prefix && one.path === `${prefix}.${path}`))
    return problem && problemWords(t, problem, nameOf)
  }
}
