// Made from the description of the API by scripts/limits.mjs: do not change it here.

export const AcknowledgedAdviceLimits = {
  note: { maxLength: 300 },
} as const

export const AddLogEntryRequestLimits = {
  note: { maxLength: 2000 },
  restedHours: { minimum: 0, maximum: 720 },
} as const

export const AssemblyPlanLimits = {
  stages: { maxItems: 40 },
  groupOf: { minimum: 1, maximum: 60 },
} as const

export const AssemblyStageLimits = {
  name: { maxLength: 120 },
} as const

export const BackupsScheduleRequestLimits = {
  keep: { minimum: 1, maximum: 100 },
} as const

export const BeginStudioRequestLimits = {
  name: { minLength: 1, maxLength: 120 },
  maker: { minLength: 1, maxLength: 80 },
  scaleG: { minimum: 0.001, maximum: 10 },
  signInName: { minLength: 1, maxLength: 80 },
  password: { minLength: 10, maxLength: 200 },
} as const

export const BloomPieceLimits = {
  widthShare: { default: 1 },
} as const

export const ChangeCommissionsCopyLimits = {
  name: { minLength: 1, maxLength: 120 },
} as const

export const ChangeCommissionsFlowerCopyRequestLimits = {
  name: { minLength: 1, maxLength: 120 },
} as const

export const ChangeFlowersChangeLimits = {
  name: { minLength: 1, maxLength: 120 },
  flowers: { minimum: 0, maximum: 5000 },
  buds: { minimum: 0, maximum: 5000 },
} as const

export const ChangeFlowersNewFlowerLimits = {
  name: { minLength: 1, maxLength: 120 },
  flowers: { minimum: 0, maximum: 5000 },
  buds: { minimum: 0, maximum: 5000 },
} as const

export const ChangeLogEntryRequestLimits = {
  restedHours: { minimum: 0, maximum: 720 },
} as const

export const ChangePiecesOrderLimits = {
  pieceIds: { maxItems: 40 },
} as const

export const CharacteriseColourRequestLimits = {
  dabs: { minItems: 1, maxItems: 4 },
} as const

export const CoatDustCoatLimits = {
  mix: { minItems: 1, maxItems: 8 },
  loadMgPerCm2: { maximum: 10, exclusiveMinimum: 0 },
} as const

export const CoatGlazeCoatLimits = {
  coats: { minimum: 1, maximum: 5 },
} as const

export const CoatPollenCoatLimits = {
  coverage: { maximum: 1, exclusiveMinimum: 0 },
} as const

export const CoatSteamCoatLimits = {
  seconds: { minimum: 1, maximum: 60 },
} as const

export const CoatWashCoatLimits = {
  mix: { minItems: 1, maxItems: 8 },
  gPerMl: { maximum: 1, exclusiveMinimum: 0 },
  wetMlPerCm2: { maximum: 0.02, exclusiveMinimum: 0 },
} as const

export const CommissionDetailsLimits = {
  name: { minLength: 1, maxLength: 120 },
  place: { maxLength: 300 },
  roomHumidityPercent: { minimum: 0, maximum: 100 },
  roomCelsius: { minimum: -10, maximum: 50 },
  marginDays: { minimum: 0, maximum: 60 },
  clientNote: { maxLength: 2000 },
  ownNote: { maxLength: 2000 },
} as const

export const CrumbTintLimits = {
  crumbsToOne: { minimum: 4, maximum: 30 },
} as const

export const DabReadingLimits = {
  amount: { maximum: 100, exclusiveMinimum: 0 },
  reflectance: { minItems: 36, maxItems: 36 },
} as const

export const DoseLimits = {
  gPer100g: { minimum: 0, maximum: 50 },
} as const

export const FindRecipesRequestLimits = {
  pasteG: { minimum: 0.001, maximum: 100000 },
  mostColourants: { minimum: 1, maximum: 4, default: 3 },
} as const

export const KeepBatchRequestLimits = {
  name: { minLength: 1, maxLength: 120 },
  pasteG: { minimum: 0.001, maximum: 100000 },
  note: { maxLength: 2000 },
} as const

export const LabLimits = {
  l: { minimum: 0, maximum: 100 },
  a: { minimum: -150, maximum: 150 },
  b: { minimum: -150, maximum: 150 },
} as const

export const LookAtRecipeRequestLimits = {
  pasteG: { minimum: 0.001, maximum: 100000 },
} as const

export const MakingLimits = {
  grams: { minimum: 0.001, maximum: 100000 },
  leftG: { minimum: 0, maximum: 100000 },
  keptIn: { maxLength: 120 },
} as const

export const MarblePlanLimits = {
  stripes: { minItems: 2, maxItems: 4 },
  repeats: { minimum: 1, maximum: 6 },
  folds: { minimum: 0, maximum: 16 },
  twist: { minimum: 0, maximum: 1 },
  otherG: { minimum: 0, maximum: 100000 },
} as const

export const MarbleStripeLimits = {
  parts: { minimum: 0, maximum: 1000 },
} as const

export const MarkingLimits = {
  sizeMm: { minimum: 0.2, maximum: 60 },
  spacingMm: { minimum: 0.5, maximum: 60 },
  waver: { minimum: 0, maximum: 1 },
} as const

export const MaterialRecordLimits = {
  name: { minLength: 1, maxLength: 120 },
  form: { maxLength: 60 },
  dyeFamily: { maxLength: 120 },
  note: { maxLength: 2000 },
  stockG: { minimum: 0, maximum: 1000000 },
  stockPieces: { minimum: 0, maximum: 1000000 },
  pricePerG: { minimum: 0, maximum: 10000 },
  pricePerPiece: { minimum: 0, maximum: 10000 },
  stockMl: { minimum: 0, maximum: 1000000 },
  pricePerMl: { minimum: 0, maximum: 10000 },
  packSize: { minimum: 0.001, maximum: 1000000 },
  lot: { maxLength: 60 },
  loadLimit: { minimum: 0.001, maximum: 100 },
  touchG: { minimum: 0.000001, maximum: 50 },
  dropG: { minimum: 0.000001, maximum: 50 },
  peaG: { minimum: 0.000001, maximum: 50 },
  knifeTipG: { minimum: 0.000001, maximum: 50 },
  pinchG: { minimum: 0.000001, maximum: 50 },
  labelGPer100g: { minimum: 0.001, maximum: 20 },
  gauge: { minimum: 14, maximum: 36 },
  diameterMm: { minimum: 0.5, maximum: 500 },
  shareAtOnce: { minimum: 0, maximum: 1 },
  timeConstantHours: { minimum: 0.01, maximum: 1000 },
  gloss: { minimum: 0, maximum: 1 },
  outerReflection: { minimum: 0, maximum: 1 },
  innerReflection: { minimum: 0, maximum: 0.99 },
  wetMlPerCm2: { minimum: 0.000001, maximum: 1 },
  densityGPerMl: { minimum: 0.01, maximum: 5 },
  washDepthMm: { minimum: 0.001, maximum: 5 },
  glintStrength: { minimum: 0, maximum: 1 },
  glintHalfLoadMgPerCm2: { minimum: 0.001, maximum: 10 },
  wetScatter: { minimum: 0, maximum: 1 },
  driesTimes: { minimum: 0.2, maximum: 10 },
  absorption: { minItems: 36, maxItems: 36 },
  scattering: { minItems: 36, maxItems: 36 },
  reflectance: { minItems: 36, maxItems: 36 },
  worstDeltaE: { minimum: 0, maximum: 200 },
  dabs: { maxItems: 4 },
} as const

export const MePasswordRequestLimits = {
  old: { minLength: 1, maxLength: 200 },
  password: { minLength: 10, maxLength: 200 },
} as const

export const MeSaveRequestLimits = {
  name: { minLength: 1, maxLength: 80 },
} as const

export const MeantFlowerLimits = {
  loop: { maxItems: 500 },
} as const

export const MiddleShadeLimits = {
  at: { minimum: 1, maximum: 10 },
} as const

export const OmbrePlanLimits = {
  steps: { minItems: 1, maxItems: 11 },
  uses: { minItems: 2, maxItems: 12 },
  scaleG: { minimum: 0.001, maximum: 10 },
  begin: { minimum: 0, maximum: 0.99 },
  end: { maximum: 1, exclusiveMinimum: 0 },
} as const

export const PasteRecipeLimits = {
  doses: { maxItems: 8 },
} as const

export const PictureMarksLimits = {
  samples: { maxItems: 60 },
} as const

export const PieceLimits = {
  name: { minLength: 1, maxLength: 120 },
  lengthMm: { minimum: 1, maximum: 500 },
  widthMm: { minimum: 1, maximum: 500 },
  thicknessMm: { minimum: 0.1, maximum: 50 },
  perPart: { minimum: 1, maximum: 400 },
  spareShare: { minimum: 0, maximum: 2 },
} as const

export const PieceBodyLimits = {
  coreMm: { minimum: 0, maximum: 500, default: 0 },
  skinMm: { minimum: 0, maximum: 20, default: 0 },
} as const

export const PieceCutLimits = {
  rimMm: { minimum: 0.05, maximum: 50 },
  lobes: { minimum: 1, maximum: 12, default: 1 },
  nubMm: { maximum: 40, exclusiveMinimum: 0 },
} as const

export const PieceFormLimits = {
  openDegrees: { minimum: 0, maximum: 150 },
  insetMm: { minimum: 0, maximum: 100 },
  cup: { minimum: 0, maximum: 1 },
  frill: { minimum: 0, maximum: 1 },
  gauge: { minimum: 14, maximum: 36 },
  gatheredBy: { minimum: 1, maximum: 30 },
} as const

export const PiecePlanLimits = {
  coats: { maxItems: 24 },
  onPurpose: { maxItems: 100 },
} as const

export const PlaceLimits = {
  start: { minimum: 0, maximum: 40 },
  end: { minimum: 0, maximum: 40 },
  feather: { minimum: 0, maximum: 40 },
  also: { maxItems: 4 },
} as const

export const PlanLetDownRequestLimits = {
  unitsWanted: { maximum: 100, exclusiveMinimum: 0 },
  pasteG: { minimum: 0.001, maximum: 100000 },
  scaleG: { minimum: 0.001, maximum: 10 },
} as const

export const PortionLimits = {
  parts: { maximum: 1000, exclusiveMinimum: 0 },
} as const

export const PredictLogEntryRequestLimits = {
  restedHours: { minimum: 0, maximum: 720 },
} as const

export const ReadPictureRequestLimits = {
  boxes: { maxItems: 60 },
} as const

export const RescueBatchRequestLimits = {
  haveG: { minimum: 0.001, maximum: 100000 },
  needG: { minimum: 0.001, maximum: 100000 },
} as const

export const SaveCountsRequestLimits = {
  flowers: { minimum: 0, maximum: 5000 },
  buds: { minimum: 0, maximum: 5000 },
} as const

export const SaveSparesRequestLimits = {
  spareShare: { minimum: 0, maximum: 2 },
} as const

export const SaveStudioRequestLimits = {
  name: { minLength: 1, maxLength: 120 },
  maker: { maxLength: 120 },
  timeZone: { minLength: 1, maxLength: 60 },
  currency: { minLength: 3, maxLength: 3 },
  scaleG: { minimum: 0.001, maximum: 10 },
  leftoverDeltaE: { minimum: 0.1, maximum: 10 },
  holesMm: { maxItems: 30 },
} as const

export const ShadeUseLimits = {
  otherG: { minimum: 0, maximum: 100000 },
} as const

export const ShowToGuestAddressRequestLimits = {
  days: { minimum: 1, maximum: 400 },
} as const

export const ShowWhorlRequestLimits = {
  pieces: { minimum: 1, maximum: 60 },
} as const

export const SigningInRequestLimits = {
  name: { minLength: 1, maxLength: 80 },
  password: { minLength: 1, maxLength: 200 },
} as const

export const SprayItemLimits = {
  count: { minimum: 1, maximum: 400 },
  distanceMm: { minimum: 0, maximum: 300 },
} as const

export const SprayPlanLimits = {
  sprays: { minimum: 1, maximum: 100 },
  items: { maxItems: 60 },
} as const

export const StagePartLimits = {
  perFlower: { minimum: 1, maximum: 400 },
} as const

export const TargetLimits = {
  spread: { minimum: 0, maximum: 12 },
} as const

export const TickOperationsRequestLimits = {
  operations: { minItems: 1, maxItems: 40 },
} as const

export const TickOperationsTickedLimits = {
  fingerprint: { minLength: 1, maxLength: 64 },
} as const

export const TintMixLimits = {
  mix: { minItems: 1, maxItems: 8 },
  gPer10ml: { maximum: 5, exclusiveMinimum: 0 },
} as const

export const UseCodeRequestLimits = {
  name: { maxLength: 80 },
  signInName: { maxLength: 80 },
  password: { maxLength: 200 },
} as const

export const WeighUnitRequestLimits = {
  count: { minimum: 1, maximum: 100 },
} as const
