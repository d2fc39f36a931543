import type { QueryKey } from '@tanstack/react-query'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'

/**
 * A private address that is made, told once, and taken away again.
 * @param key Of what is known of it, which is read again after each.
 */
export function useSecretAddress(
  key: QueryKey,
  make: () => Promise<{ path: string }>,
  withdraw: () => Promise<unknown>,
) {
  const client = useQueryClient()
  const [told, setTold] = useState<string | null>(null)
  const tell = (path: string | null) => {
    setTold(path)
    return client.invalidateQueries({ queryKey: key })
  }
  return {
    /** The address, as long as this page is open. */
    told,
    make: useMutation({ mutationFn: make, onSuccess: ({ path }) => tell(path) }),
    withdraw: useMutation({ mutationFn: withdraw, onSuccess: () => tell(null) }),
  }
}
