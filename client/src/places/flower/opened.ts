import type { Zone } from '../../api/api'

/** What is open for editing under the ribbons. */
export type Opened =
  | { kind: 'paste' }
  | { kind: 'coat'; id: string }
  | { kind: 'target'; zone: Zone }
  | { kind: 'log' }
  | { kind: 'proposals' }
  | { kind: 'piece' }
  | null

export function isOpen(opened: Opened, what: Exclude<Opened, null>): boolean {
  return JSON.stringify(opened) === JSON.stringify(what)
}
