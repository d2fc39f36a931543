import { useQueryClient } from '@tanstack/react-query'
import { held } from '../api/held'
import { queries } from '../api/queries'
import { signedOut } from '../api/send'
import { belongTo } from '../core/belongTo'
import { kept } from './kept'

/** Nothing that is shown is any more that of whoever looks. */
function useForgetting() {
  const client = useQueryClient()
  return async () => {
    // What is still on its way is hers too.
    await client.cancelQueries({ predicate: (query) => query.queryKey[0] !== 'code' })
    await held.forget()
    client.removeQueries({ predicate: (query) => query.queryKey[0] !== 'code' })
  }
}

/** After somebody has come in all is read again. */
export function useCameIn() {
  const forget = useForgetting()
  const client = useQueryClient()
  return async () => {
    await forget()
    // What cannot be found out now is when she comes in the next time.
    await client.fetchQuery(queries.me()).then(
      ({ id }) => belongTo(id, kept),
      () => undefined,
    )
    signedOut.cameIn()
  }
}

/** After she has gone out the door is shown. */
export function useWentOut() {
  const forget = useForgetting()
  return async () => {
    await forget()
    signedOut.told()
  }
}
