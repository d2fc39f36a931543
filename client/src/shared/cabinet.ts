import type { Material } from '../api/api'

export const stillBought = (materials: Material[]): Material[] => materials.filter((material) => !material.isRetired)

/** What can be chosen of a kind: what is still bought, and what is already chosen. */
export const offered = (materials: Material[], kind: Material['kind'], chosen?: string): Material[] =>
  materials.filter((material) => material.kind === kind && (!material.isRetired || material.id === chosen))
