import type { ComponentType, ReactNode } from 'react'
import { useSyncExternalStore } from 'react'
import { signedOut } from '../api/send'

/** Shows the door in place of everything as soon as the server says that nobody has signed in. */
export function Gate({ door: Door, children }: { door: ComponentType; children: ReactNode }) {
  return useSyncExternalStore(signedOut.watch, signedOut.current) ? <Door /> : children
}
