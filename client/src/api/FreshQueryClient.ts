import type { InvalidateOptions, InvalidateQueryFilters, Query, QueryKey } from '@tanstack/react-query'
import { QueryClient } from '@tanstack/react-query'

/**
 * After a change everything that hangs on it is read again. The library joins a first reading that is still under way, whose answer
 * may be from before the change: such a reading is broken off, so that what is shown is never older than what was just done.
 */
export class FreshQueryClient extends QueryClient {
  override async invalidateQueries<TTaggedQueryKey extends QueryKey = QueryKey>(
    filters?: InvalidateQueryFilters<TTaggedQueryKey>,
    options?: InvalidateOptions,
  ): Promise<void> {
    const isFirst = ({ state }: Query) => state.data === undefined && state.fetchStatus !== 'idle'
    const isMeant = filters?.predicate ?? (() => true)
    await this.cancelQueries({ ...filters, predicate: (query) => isFirst(query) && isMeant(query) }, { silent: true })
    return super.invalidateQueries(filters, options)
  }
}
