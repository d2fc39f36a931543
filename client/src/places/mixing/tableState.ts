import * as z from 'zod/mini'
import { readStored, store } from '../../shared/stored'
import type { Filters, Lab, LightKind, PasteRecipe } from '../../api/api'

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
  mostColourants: 3,
  filters: noFilters,
})

// What comes out of storage may be from an older build: its whole shape is checked.
const recipe = z.object({
  baseId: z.string(),
  doses: z.array(z.object({ colourantId: z.string(), gPer100g: z.number() })),
})
const table = z.object({
  target: z.nullable(z.object({ l: z.number(), a: z.number(), b: z.number() })),
  targetName: z.string(),
  commissionId: z.nullable(z.string()),
  batchId: z.nullable(z.string()),
  pieceId: z.nullable(z.string()),
  light: z.enum(['daylight', 'eveningDaylight', 'lamp', 'tube', 'warmLed', 'candle']),
  pasteG: z.number(),
  mixes: z.array(recipe).check(z.minLength(1), z.maxLength(2)),
  mostColourants: z.number(),
  filters: z.object({
    mustUse: z.array(z.string()),
    leaveOut: z.array(z.string()),
    edibleOnly: z.boolean(),
    diets: z.array(z.enum(['vegan', 'vegetarian', 'glutenFree', 'nutFree', 'dairyFree'])),
    withinStock: z.boolean(),
  }),
})

const name = 'mixing-table'

/** The table as it was left, so that a reload or a restart loses nothing. */
export const readTable = (): Table | null => readStored(name, (value): value is Table => table.safeParse(value).success)

export const storeTable = (value: Table) => store(name, value)
