import { useTranslation } from 'react-i18next'
import { Link, Navigate, Route, Routes } from 'react-router'
import { CabinetPage } from './places/cabinet/CabinetPage'
import { MaterialPage } from './places/cabinet/MaterialPage'
import { NewFlowerPage } from './places/commissions/NewFlowerPage'
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
import { MeasuringPage } from './places/measuring/MeasuringPage'
import { TargetsPage } from './places/targets/TargetsPage'
import { Frame } from './shared/Frame'
import { SafetyNet } from './shared/SafetyNet'

export function App() {
  return (
    <SafetyNet>
      <Routes>
        <Route element={<Frame />}>
          <Route index element={<Navigate to="/commissions" replace />} />
          <Route path="commissions" element={<CommissionsPage />} />
          <Route path="commissions/:commissionId/new-flower" element={<NewFlowerPage />} />
          <Route path="commissions/:commissionId/dust-day" element={<DustDayPage />} />
          <Route path="commissions/:commissionId/spray" element={<SprayPage />} />
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
          <Route path="measuring" element={<MeasuringPage />} />
          <Route path="mixing" element={<MixingPage />} />
          <Route path="cabinet" element={<CabinetPage />} />
          <Route path="cabinet/:id" element={<MaterialPage />} />
          <Route path="files" element={<FilesPage />} />
          <Route path="logbook" element={<LogbookPage />} />
          <Route path="*" element={<NothingHere />} />
        </Route>
      </Routes>
    </SafetyNet>
  )
}

function NothingHere() {
  const { t } = useTranslation()
  return (
    <main className="p-6">
      <h1 className="name text-2xl">{t('nothingHere.title')}</h1>
      <p className="mt-2">
        <Link className="act" to="/commissions">
          {t('nothingHere.back')}
        </Link>
      </p>
    </main>
  )
}
