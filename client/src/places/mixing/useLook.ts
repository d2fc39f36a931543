import { keepPreviousData, useQuery } from '@tanstack/react-query'
import type { FieldProblem, Look } from '../../api/api'
import { RequestFailed } from '../../core/RequestFailed'
import { queries } from '../../api/queries'
import type { Table } from './tableState'

export interface Seen {
  /** While a new one is being asked for, or when the recipe cannot be, the one before. */
  look: Look | undefined
  problems: FieldProblem[]
  error: RequestFailed | null
}

/** What follows from one of the mixes on the table. */
export function useLook(table: Table, place: number): Seen {
  const recipe = table.mixes[place]
  const { data, error } = useQuery({
    ...queries.look({
      recipe: recipe ?? { baseId: '', doses: [] },
      target: table.target ?? { l: 0, a: 0, b: 0 },
      pasteG: table.pasteG,
      light: table.light,
    }),
    enabled: table.target !== null && recipe !== undefined,
    placeholderData: keepPreviousData,
  })
  const failed = error instanceof RequestFailed ? error : null
  return {
    look: recipe && table.target ? data : undefined,
    problems: failed?.problems ?? [],
    error: failed && failed.problems.length === 0 ? failed : null,
  }
}
