import type { Target, Zone } from '../../api/api'

/** Changes one target, or several at once. */
export type ChangeTargets = (changes: Partial<Record<Zone, Partial<Target>>>) => void
