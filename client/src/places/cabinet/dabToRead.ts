import type { Material } from '../../api/api'

/** A dab that is about to be read, and with what. */
export interface DabToRead {
  /** Which of the dabs, from 1. */
  number: number
  /** The jar that is learned; null for a new one. */
  materialId: string | null
  materials: Material[]
  baseId: string
  amount: number
  onClose: () => void
}
