import type { Material, MaterialKind } from '../api/api'

export const kinds: MaterialKind[] = [
  'paste',
  'colourant',
  'dust',
  'lustre',
  'extender',
  'glaze',
  'thinner',
  'crumb',
  'adhesive',
  'wire',
  'tape',
  'stamens',
]

export const stillBought = (materials: Material[]): Material[] => materials.filter((material) => !material.isRetired)

/** What can be chosen of a kind: what is still bought, and what is already chosen. */
export const offered = (materials: Material[], kind: MaterialKind, chosen?: string): Material[] =>
  materials.filter((material) => material.kind === kind && (!material.isRetired || material.id === chosen))
