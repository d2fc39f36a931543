import type { ApiProblemCode, FieldProblem } from '../api/api'

const passing: ApiProblemCode[] = [
  'offline',
  'databaseAway',
  'busy',
  'diskFull',
  'unexpected',
  'signedOut',
  'oldPage',
  'tooOften',
]

/** A request that did not do what it was for. `code` picks the words; `problems` say which fields. */
export class RequestFailed extends Error {
  constructor(
    readonly code: ApiProblemCode,
    readonly problems: FieldProblem[] = [],
    /** That its line in the server's log has; empty where the server was not reached. */
    readonly requestId = '',
  ) {
    super(code)
  }

  /** Nothing was wrong with the request itself: the same one may succeed later. */
  get isPassing() {
    return passing.includes(this.code)
  }
}

/** Whether somebody else was quicker: what was changed is not any more what the change was made from. */
export const isClash = (error: unknown): boolean => error instanceof RequestFailed && error.code === 'changedElsewhere'
