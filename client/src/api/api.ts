import createClient from 'openapi-fetch'
import type { components, paths } from './schema'

type Schemas = components['schemas']

export type Advice = Schemas['Advice']
export type BatchView = Schemas['BatchView']
export type Coat = Schemas['CoatDustCoat'] | Schemas['CoatSteamCoat'] | Schemas['CoatGlazeCoat']
export type CoatView = Schemas['PreviewPlanCoatView']
export type ColourView = Schemas['ColourView']
export type CommissionView = Schemas['CommissionView']
export type Difference = Schemas['Difference']
export type DosedColour = Schemas['DosedColourView']
export type DustCoat = Schemas['CoatDustCoat']
export type Field = Schemas['PreviewPlanFieldView']
export type FieldProblem = Schemas['FieldProblem']
export type FlowerAnswer = Schemas['GetFlowerAnswer']
export type FoundRecipe = Schemas['FindRecipesRecipeView']
export type GlazeCoat = Schemas['CoatGlazeCoat']
export type Lab = Schemas['Lab']
export type LogEntry = Schemas['LogEntryView']
export type LogSubject = Schemas['LogSubject']
export type Material = Schemas['GetCabinetMaterialView']
export type NamedLoad = Schemas['NamedLoad']
export type PasteRecipe = Schemas['PasteRecipe']
export type PieceView = Schemas['PieceView']
export type Place = Schemas['Place']
export type PlaceKind = Schemas['PlaceKind']
export type Plan = Schemas['PiecePlan']
export type Preview = Schemas['PreviewPlanAnswer']
export type RunSheet = Schemas['GetRunSheetAnswer']
export type RunStep = Schemas['RunStep']
export type RunStepView = Schemas['GetRunSheetStepView']
export type Sides = Schemas['Sides']
export type SteamCoat = Schemas['CoatSteamCoat']
export type Trouble = Schemas['Trouble']
export type TroubleCode = Schemas['TroubleCode'] | 'offline'
export type Zone = Schemas['Zone']
export type ZoneView = Schemas['PreviewPlanZoneView']

export const zones: Zone[] = ['rim', 'tip', 'heart', 'base', 'back']

export const api = createClient<paths>({ baseUrl: '' })

/** A request that did not do what it was for. `code` picks the words; `problems` say which fields. */
export class RequestFailed extends Error {
  constructor(
    readonly code: TroubleCode,
    readonly problems: FieldProblem[] = [],
  ) {
    super(code)
  }

  /** Nothing was wrong with the request itself: the same one may succeed later. */
  get isPassing() {
    return this.code === 'offline' || this.code === 'databaseAway' || this.code === 'unexpected'
  }
}

/** The data of an answer, or a thrown {@link RequestFailed}. */
export async function answer<T>(request: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let result
  try {
    result = await request
  } catch (error) {
    // fetch throws a TypeError when nobody answers; an abort is the caller's own.
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new RequestFailed('offline')
  }
  if (result.response.ok) return result.data as T
  const trouble = result.error as Partial<Trouble> | undefined
  throw new RequestFailed(trouble?.code ?? 'unexpected', trouble?.problems ?? [])
}
