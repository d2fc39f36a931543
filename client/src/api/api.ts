import createClient from 'openapi-fetch'
import { ProgressLines } from '../core/ProgressLines'
import { RequestFailed } from '../core/RequestFailed'
import type { components, paths } from './schema'
import { forgeryWord, send, signedOut } from './send'

type Schemas = components['schemas']

export type Approach = Schemas['Approach']
export type Beside = Schemas['SprayPiece']
export type Bloom = Schemas['ShowBloomFlowerView']
export type BloomKind = Schemas['ShowBloomKindView']
export type Dusting = Schemas['Dusting']
export type DustDay = Schemas['GetDustDayAnswer']
export type FlowerLibrary = Schemas['GetFlowerLibraryAnswer']
export type LibraryFlower = Schemas['GetFlowerLibraryLibraryFlowerView']
export type Marking = Schemas['Marking']
export type MarkingKind = Schemas['MarkingKind']
export type OutlineView = Schemas['GetFlowerLibraryOutlineView']
export type Piece = Schemas['Piece']
export type PieceForm = Schemas['PieceForm']
export type PasteSource = Schemas['SourceView']
export type PieceRole = Schemas['PieceRole']
export type Proposal = Schemas['ProposePlansProposalView']
export type Proposals = Schemas['ProposePlansAnswer']
export type DayOfWeek = Schemas['DayOfWeek']
export type Maker = Schemas['Maker']
export type BenchAnswer = Schemas['GetBenchAnswer']
export type BenchTaskView = Schemas['GetBenchTaskView']
export type BenchClash = Schemas['TakeNoteClash']
export type JarAnswer = Schemas['GetJarAnswer']
export type JarReading = Schemas['GetJarReadingView']
export type ReadBy = Schemas['ReadBy']
export type Exercise = Schemas['Exercise']
export type AuditLine = Schemas['ReadAuditLineView']
export type BackupEvery = Schemas['BackupEvery']
export type Backups = Schemas['BackupsView']
export type BeginStudio = Schemas['BeginStudioRequest']
export type CodeView = Schemas['UseCodeCodeView']
export type Door = Schemas['SigningInDoorView']
export type GuestView = Schemas['ShowToGuestAnswer']
export type Me = Schemas['MeView']
export type Person = Schemas['ManagePeoplePersonView']
export type Preferences = Schemas['Preferences']
export type Role = NonNullable<Schemas['Role']>
export type PracticeAnswer = Schemas['PractisingAnswer']
export type PracticeQuestion = Schemas['PractisingQuestionView']
export type Pin = Schemas['Pin']
export type WorkPlan = Schemas['WorkPlan']
export type PlannedPart = Schemas['PlannedPart']
export type WorkPlanInForce = Schemas['GetPlanAnswer']
export type WorkProposal = Schemas['PlanWorkAnswer']
export type PieceChange = Schemas['PieceChangesChange']
export type TogetherAnswer = Schemas['ProposeTogetherAnswer']
export type TogetherRequest = Schemas['ProposeTogetherRequest']
export type Advice = Schemas['PreviewPlanAdviceView']
export type BatchView = Schemas['BatchView']
export type Coat =
  | Schemas['CoatDustCoat']
  | Schemas['CoatWashCoat']
  | Schemas['CoatSteamCoat']
  | Schemas['CoatGlazeCoat']
  | Schemas['CoatPollenCoat']
export type CoatBeginnings = Schemas['GetCoatBeginningsAnswer']
export type CoatView = Schemas['PreviewPlanCoatView']
export type ColourView = Schemas['ColourView']
export type CommissionDetails = Schemas['CommissionDetails']
export type CommissionEntry = Schemas['ListCommissionsEntry']
export type Commissions = Schemas['ListCommissionsAnswer']
export type CommissionView = Schemas['CommissionView']
export type Difference = Schemas['Difference']
export type DosedColour = Schemas['DosedColourView']
export type DustCoat = Schemas['CoatDustCoat']
export type Field = Schemas['PreviewPlanFieldView']
export type FieldProblem = Schemas['FieldProblem']
export type FoodFacts = Schemas['FoodFacts']
export type FlowerAnswer = Schemas['GetFlowerAnswer']
export type FoundRecipe = Schemas['FindRecipesRecipeView']
export type GlazeCoat = Schemas['CoatGlazeCoat']
export type Lab = Schemas['Lab']
export type DoseLadder = Schemas['GetDoseLadderAnswer']
export type PredictedOf = Schemas['PredictLogEntryRequest']
export type KneadedPaste = Omit<Schemas['ReadPasteOnBenchRequest'], 'take'>
export type LikelyTimes = Schemas['LikelyTimes']
export type LoggedDose = Schemas['LoggedDose']
export type MeasuredPaste = Schemas['MeasuredPaste']
export type DoseUnitKind = Schemas['DoseUnitKind']
export type Diet = Schemas['Diet']
export type Filters = Schemas['FiltersView']
export type FoundRecipes = Schemas['FindRecipesAnswer']
export type BatchState = Schemas['BatchState']
export type BatchPart = Schemas['PartView']
export type LeftoverView = Schemas['LeftoverView']
export type Measure = Schemas['Measure']
export type Studio = Schemas['StudioView']
export type ShoppingLine = Schemas['ShoppingLine']
export type KeptBatch = Schemas['KeptBatchView']
export type LetDown = Schemas['LetDown']
export type LightKind = Schemas['LightKind']
export type Look = Schemas['LookAtRecipeAnswer']
export type LookRequest = Schemas['LookAtRecipeRequest']
export type MixingTable = Schemas['GetMixingTableAnswer']
export type Beyond = Schemas['BeyondView']
export type Rescue = Schemas['RescueBatchAnswer']
export type RescuePlan = Schemas['RescueBatchPlanView']
export type LogEntry = Schemas['LogEntryView']
export type LogReading = Schemas['ChangeLogEntryRequest']
export type LogStanding = Schemas['StandLogEntryRequest']
export type LogSubject = Schemas['LogSubject']
export type MeantFlower = Schemas['MeantFlower']
export type Material = Schemas['GetCabinetMaterialView']
export type NamedLoad = Schemas['NamedLoad']
export type PasteRecipe = Schemas['PasteRecipe']
export type MarbleAnswer = Schemas['PlanMarbleAnswer']
export type MarbleFolds = Schemas['PlanMarbleFoldsView']
export type MarbleLook = Schemas['PlanMarbleLookView']
export type MarblePlan = Schemas['MarblePlan']
export type OmbreAnswer = Schemas['PlanOmbreAnswer']
export type OmbrePlan = Schemas['OmbrePlan']
export type OmbreStep = Schemas['OmbreStepView']
export type OmbreView = Schemas['OmbreView']
export type OmbreWay = Schemas['OmbreWayView']
export type PasteBlock = Schemas['BlockView']
export type PasteDay = Schemas['GetPasteDayAnswer']
export type PasteUse = Schemas['PasteUseView']
export type PieceView = Schemas['PieceView']
export type Place = Schemas['Place']
export type PlaceKind = Schemas['PlaceKind']
export type Plan = Schemas['PiecePlan']
export type Preview = Schemas['PreviewPlanAnswer']
export type RunSheet = Schemas['GetRunSheetsAnswer']
export type RunStep = Schemas['RunStep']
export type Operation = Schemas['OperationView']
export type Pot = Schemas['Pot']
export type HandAmount = Schemas['HandAmountView']
export type Assembly = Schemas['ChangeAssemblyAnswer']
export type AssemblyPlan = Schemas['AssemblyPlan']
export type SprayPlan = Schemas['SprayPlan']
export type SprayItem = Schemas['SprayItem']
export type SprayPlanAnswer = Schemas['ChangeSprayAnswer']
export type AssemblyStage = Schemas['AssemblyStage']
export type Sides = Schemas['Sides']
export type Portion = Schemas['Portion']
export type PollenCoat = Schemas['CoatPollenCoat']
export type WashCoat = Schemas['CoatWashCoat']
export type SprayAnswer = Schemas['ShowBloomSprayView']
export type SteamCoat = Schemas['CoatSteamCoat']
export type Target = Schemas['Target']
export type Finish = Schemas['Finish']
export type Box = Schemas['Box']
export type CharacteriseAnswer = Schemas['CharacteriseColourAnswer']
export type CohesionPair = Schemas['CheckCohesionPairView']
export type CohesionAccent = Schemas['CheckCohesionAccentView']
export type DabReading = Schemas['DabReading']
export type Division = Schemas['ReadPictureDivision']
export type Duplicate = Schemas['Duplicate']
export type EyePicker = Schemas['PickByEyeAnswer']
export type EyeCell = Schemas['PickByEyeCellView']
export type FoodStatus = Schemas['FoodStatus']
export type ImportPreview = Schemas['ImportsPreview']
export type Ingredient = Schemas['Ingredient']
export type LightDoubt = Schemas['LightDoubt']
export type MaterialKind = Schemas['MaterialKind']
export type MaterialRecord = Schemas['MaterialRecord']
export type Need = Schemas['GetNeedsNeedView']
export type NeutralKind = Schemas['NeutralKind']
export type Palette = Schemas['PalettesAnswer']
export type Patch = Schemas['PatchView']
export type OperationTime = Schemas['OperationTime']
export type Picture = Schemas['GetPicturesPictureView']
/** The living flower, or what came out. */
export type PictureShows = 'living' | 'made'
export type PictureLight = Schemas['PictureLight']
export type PictureMarks = Schemas['PictureMarks']
export type PictureReading = Schemas['ReadPictureAnswer']
export type ReachedBy = Schemas['ReachedBy']
export type SeenAs = Schemas['SeenAs']
export type Shot = Schemas['ShotView']
export type SpectralReading = Schemas['ImportsReadingView']
export type StartingPoint = Schemas['ListStartingPointsStartingPointView']
export type ApiProblem = Schemas['ApiProblem']
export type ApiProblemCode = Schemas['ApiProblemCode'] | 'offline'
export type Zone = Schemas['Zone']
export type ZoneView = Schemas['PreviewPlanZoneView']

/** From the first word about it to the shelf. */
export const statuses: CommissionView['status'][] = ['asked', 'planned', 'inWork', 'delivered', 'putAway']

export const zones: Zone[] = ['rim', 'tip', 'heart', 'base', 'back']

export const api = createClient<paths>({ baseUrl: '', fetch: (request) => send(request) })

/** The data of an answer, or a thrown {@link RequestFailed}. */
export async function answer<T>(request: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const result = await reach(request)
  if (result.response.ok) return result.data as T
  throw failed(result.error, result.response.headers)
}

/** The version that a change is made from; 0 for what was never kept. The server makes no change over another one. */
export const madeFrom = (version: number) => ({ 'If-Match': `"${version}"` })

/** Sends a file as it is, and reads the answer. */
export async function upload<T>(path: string, file: Blob): Promise<T> {
  const response = await reach(
    send(path, { method: 'POST', headers: { 'Content-Type': 'application/octet-stream' }, body: file }),
  )
  if (!response.ok) throw await failureOf(response)
  return (await response.json()) as T
}

const failureOf = async (response: Response) => failed(await response.json().catch(() => undefined), response.headers)

function failed(said: unknown, headers: { get(name: string): string | null }): RequestFailed {
  const trouble = said as Partial<ApiProblem> | undefined
  if (trouble?.code === 'signedOut') signedOut.told()
  return new RequestFailed(trouble?.code ?? 'unexpected', trouble?.problems ?? [], headers.get(requestIdHeader) ?? '')
}

const requestIdHeader = 'X-Request-Id'
const ndjson = 'application/x-ndjson'

/**
 * Sends a file of any size, and then waits for what is made of it; tells how far it is, sending being the first half. Only the older
 * way of asking tells how much of a file has gone out.
 */
export function uploadLarge<T>(path: string, file: Blob, onProgress: (share: number) => void): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    let seen = 0
    const lines = new ProgressLines<T>((share) => onProgress(0.5 + share / 2))
    const isLines = () => request.getResponseHeader('Content-Type')?.startsWith(ndjson) ?? false
    const read = () => {
      if (!isLines()) return
      const piece = request.responseText.slice(seen)
      seen = request.responseText.length
      try {
        const heard = lines.hear(piece)
        if (heard) resolve(heard.answer)
      } catch (failure) {
        reject(failure as Error)
      }
    }
    request.upload.onprogress = (sent) => onProgress(sent.loaded / sent.total / 2)
    request.onprogress = read
    request.onerror = () => reject(new RequestFailed('offline'))
    request.onload = () => {
      read()
      if (request.status === 200 && !isLines()) resolve(JSON.parse(request.responseText) as T)
      // Lines that end without an answer; nothing if there was one.
      else if (isLines()) reject(new RequestFailed('unexpected'))
      else {
        const headers = { [requestIdHeader]: request.getResponseHeader(requestIdHeader) ?? '' }
        void failureOf(new Response(request.responseText, { headers })).then(reject)
      }
    }
    request.open('POST', path)
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.setRequestHeader('Accept', ndjson)
    for (const [name, value] of Object.entries(forgeryWord())) request.setRequestHeader(name, value)
    request.send(file)
  })
}

/**
 * Posts to an endpoint that may take longer than a breath and tells how far it is meanwhile. Aborting the signal stops the
 * computation on the server too.
 */
export async function longWork<T>(
  path:
    | '/api/recipes/find'
    | '/api/recipes/rescue'
    | `/api/${'pieces' | 'commissions'}/${string}/proposals`
    | '/api/plan/proposals',
  body: unknown,
  signal: AbortSignal,
  onProgress: (share: number) => void,
): Promise<T> {
  const response = await reach(
    send(path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Accept: ndjson },
      body: JSON.stringify(body),
      signal,
    }),
  )
  if (!response.ok || !response.body) throw await failureOf(response)
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  const lines = new ProgressLines<T>(onProgress)
  for (;;) {
    const { value, done } = await reach(reader.read())
    if (done) throw new RequestFailed('unexpected')
    const heard = lines.hear(value)
    if (heard) return heard.answer
  }
}

/** fetch throws a TypeError when nobody answers; an abort is the caller's own. */
async function reach<T>(request: Promise<T>): Promise<T> {
  try {
    return await request
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new RequestFailed('offline')
  }
}
