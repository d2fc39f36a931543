import type { InvalidateOptions, InvalidateQueryFilters, QueryKey } from '@tanstack/react-query'
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
    await this.cancelQueries(filters, { silent: true })
    return super.invalidateQueries(filters, options)
  }
}
