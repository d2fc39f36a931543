import { hasFields } from '../../core/Kept'
import { kept } from '../../shared/kept'
import type { Filters, Lab, LightKind, PasteRecipe } from '../../api/api'
import { FindRecipesRequestLimits } from '../../api/limits'

/** What lies on the mixing table. */
export interface Table {
  /** Under daylight; null while nothing has been chosen. */
  target: Lab | null
  /** Where the target comes from, in the maker's words. */
  targetName: string
  /** The commission it is for, if it is for one. */
  commissionId: string | null
  /** The kept batch that was opened, if it was one. */
  batchId: string | null
  /** The piece whose paste this is to be, if it is for one. */
  pieceId: string | null
  light: LightKind
  /** Paste before colour that is needed. */
  pasteG: number
  /** One recipe to work on, and perhaps another to compare it with. */
  mixes: PasteRecipe[]
  mostColourants: number
  filters: Filters
}

export const noFilters: Filters = { mustUse: [], leaveOut: [], edibleOnly: false, diets: [], withinStock: true }

export const emptyTable = (baseId: string): Table => ({
  target: null,
  targetName: '',
  commissionId: null,
  batchId: null,
  pieceId: null,
  light: 'daylight',
  pasteG: 180,
  mixes: [{ baseId, doses: [] }],
  mostColourants: FindRecipesRequestLimits.mostColourants.default,
  filters: noFilters,
})

// What comes out of storage may be from an older build: its frame is checked here, and what is in it by the server.
const isRecipe = (value: unknown): value is PasteRecipe =>
  hasFields(value, 'baseId', 'doses') &&
  Array.isArray(value.doses) &&
  value.doses.every((dose) => hasFields(dose, 'colourantId', 'gPer100g'))

const fieldsOf = <T extends object>(example: T) => Object.keys(example) as (keyof T & string)[]

const isTable = (value: unknown): value is Table =>
  hasFields(value, ...fieldsOf(emptyTable(''))) &&
  (value.target === null || hasFields(value.target, 'l', 'a', 'b')) &&
  typeof value.pasteG === 'number' &&
  Array.isArray(value.mixes) &&
  (value.mixes.length === 1 || value.mixes.length === 2) &&
  value.mixes.every(isRecipe) &&
  hasFields(value.filters, ...fieldsOf(noFilters))

const name = 'mixing-table'

/** The table as it was left, so that a reload or a restart loses nothing. */
export const readTable = (): Table | null => kept.read(name, isTable)

export const storeTable = (value: Table) => kept.write(name, value)
