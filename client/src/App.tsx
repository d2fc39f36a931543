import { createBrowserRouter, createRoutesFromElements, Navigate, Route } from 'react-router'
import { CabinetPage } from './places/cabinet/CabinetPage'
import { MaterialPage } from './places/cabinet/MaterialPage'
import { NewFlowerPage } from './places/commissions/NewFlowerPage'
import { BinPage } from './places/commissions/BinPage'
import { CommissionPage } from './places/commissions/CommissionPage'
import { CommissionsPage } from './places/commissions/CommissionsPage'
import { FilesPage } from './places/files/FilesPage'
import { BloomPage } from './places/bloom/BloomPage'
import { SprayPage } from './places/bloom/SprayPage'
import { SwatchCardPage } from './places/bloom/SwatchCardPage'
import { DustDayPage } from './places/dustDay/DustDayPage'
import { FlowerPage } from './places/flower/FlowerPage'
import { NewPiecePage } from './places/flower/NewPiecePage'
import { RunSheetPage } from './places/flower/RunSheetPage'
import { LogbookPage } from './places/logbook/LogbookPage'
import { MixingPage } from './places/mixing/MixingPage'
import { MarblePage } from './places/pasteDay/MarblePage'
import { OmbrePage } from './places/pasteDay/OmbrePage'
import { PasteDayPage } from './places/pasteDay/PasteDayPage'
import { StudioPage } from './places/studio/StudioPage'
import { TargetsPage } from './places/targets/TargetsPage'
import { GlossaryPage } from './places/glossary/GlossaryPage'
import { Frame } from './shared/Frame'
import { NothingHere } from './shared/NothingHere'
import { Fallen } from './shared/SafetyNet'

export const router = createBrowserRouter(
  createRoutesFromElements(
    <Route element={<Frame />} errorElement={<Fallen />}>
      <Route index element={<Navigate to="/commissions" replace />} />
      <Route path="commissions" element={<CommissionsPage />} />
      <Route path="commissions/new" element={<CommissionPage />} />
      <Route path="commissions/:commissionId" element={<CommissionPage />} />
      <Route path="commissions/:commissionId/new-flower" element={<NewFlowerPage />} />
      <Route path="commissions/:commissionId/dust-day" element={<DustDayPage />} />
      <Route path="commissions/:commissionId/spray" element={<SprayPage />} />
      <Route path="bin" element={<BinPage />} />
      <Route path="flowers/:flowerId" element={<FlowerPage />} />
      <Route path="flowers/:flowerId/targets" element={<TargetsPage />} />
      <Route path="flowers/:flowerId/ombre" element={<OmbrePage />} />
      <Route path="flowers/:flowerId/marble" element={<MarblePage />} />
      <Route path="flowers/:flowerId/bloom" element={<BloomPage />} />
      <Route path="flowers/:flowerId/card" element={<SwatchCardPage />} />
      <Route path="flowers/:flowerId/new-piece" element={<NewPiecePage />} />
      <Route path="flowers/:flowerId/:pieceId" element={<FlowerPage />} />
      <Route path="flowers/:flowerId/:pieceId/run-sheet" element={<RunSheetPage />} />
      <Route path="paste-day" element={<PasteDayPage />} />
      <Route path="studio" element={<StudioPage />} />
      <Route path="mixing" element={<MixingPage />} />
      <Route path="cabinet" element={<CabinetPage />} />
      <Route path="cabinet/:id" element={<MaterialPage />} />
      <Route path="files" element={<FilesPage />} />
      <Route path="logbook" element={<LogbookPage />} />
      <Route path="glossary" element={<GlossaryPage />} />
      <Route path="*" element={<NothingHere />} />
    </Route>,
  ),
)
