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
  'core',
]

/** Counted in pieces, not weighed; no food either. */
export const isCounted = (kind: MaterialKind) => ['wire', 'tape', 'stamens', 'core'].includes(kind)

/** Measured in ml. */
export const isPoured = (kind: MaterialKind) => ['glaze', 'thinner'].includes(kind)

/** What its amounts count. */
export const measureOf = (kind: MaterialKind) => (isCounted(kind) ? 'pieces' : isPoured(kind) ? 'millilitres' : 'grams')

/** Of its amounts; none for pieces. */
export const unitOf = (kind: MaterialKind) => ({ pieces: undefined, millilitres: 'ml', grams: 'g' })[measureOf(kind)]

export const isDust = (kind: MaterialKind) => ['dust', 'lustre', 'extender'].includes(kind)

/** Can be learned from dabs. */
export const isDabbed = (kind: MaterialKind) => ['colourant', 'dust', 'lustre'].includes(kind)

export const hasColour = (kind: MaterialKind) => !['glaze', 'thinner', 'adhesive', 'core'].includes(kind)

export const stillBought = (materials: Material[]): Material[] => materials.filter((material) => !material.isRetired)

/** What can be chosen of a kind: what is still bought, and what is already chosen. */
export const offered = (materials: Material[], kind: MaterialKind, chosen?: string): Material[] =>
  materials.filter((material) => material.kind === kind && (!material.isRetired || material.id === chosen))
