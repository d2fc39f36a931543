import { useSyncExternalStore } from 'react'
import { Address } from '../core/Address'

export const address = new Address(window)

/** For the router: the path that is shown, and how to go to another. */
export const useAddress = (): [string, typeof address.go] => [
  useSyncExternalStore(address.watch, () => address.path),
  address.go,
]

export const useAddressSearch = () => useSyncExternalStore(address.watch, () => address.search)
