import type { ComponentType } from 'react'
import { Redirect, Route, Router, Switch } from 'wouter'
import { useAddress, useAddressSearch } from './shared/address'
import { Frame } from './shared/Frame'
import { NothingHere } from './shared/NothingHere'
import { firstPage, Place } from './shared/Place'
import type { WordGroup } from './shared/translation'

/** Every page by its address. Its code, and words that only such pages have, are fetched when it is first opened. */
const pages: { path: string; load: () => Promise<ComponentType>; words?: WordGroup[] }[] = [
  { path: '/commissions', load: async () => (await import('./places/commissions/CommissionsPage')).CommissionsPage },
  { path: '/commissions/new', load: async () => (await import('./places/commissions/CommissionPage')).CommissionPage },
  {
    path: '/commissions/:commissionId',
    load: async () => (await import('./places/commissions/CommissionPage')).CommissionPage,
  },
  {
    path: '/commissions/:commissionId/new-flower',
    load: async () => (await import('./places/commissions/NewFlowerPage')).NewFlowerPage,
  },
  {
    path: '/commissions/:commissionId/dust-day',
    load: async () => (await import('./places/dustDay/DustDayPage')).DustDayPage,
  },
  { path: '/commissions/:commissionId/spray', load: async () => (await import('./places/bloom/SprayPage')).SprayPage },
  { path: '/bin', load: async () => (await import('./places/commissions/BinPage')).BinPage },
  { path: '/flowers/:flowerId', load: async () => (await import('./places/flower/FlowerPage')).FlowerPage },
  {
    path: '/flowers/:flowerId/targets',
    load: async () => (await import('./places/targets/TargetsPage')).TargetsPage,
    words: ['jars'],
  },
  {
    path: '/flowers/:flowerId/ombre',
    load: async () => (await import('./places/pasteDay/OmbrePage')).OmbrePage,
    words: ['paste'],
  },
  {
    path: '/flowers/:flowerId/marble',
    load: async () => (await import('./places/pasteDay/MarblePage')).MarblePage,
    words: ['paste'],
  },
  { path: '/flowers/:flowerId/bloom', load: async () => (await import('./places/bloom/BloomPage')).BloomPage },
  { path: '/flowers/:flowerId/card', load: async () => (await import('./places/bloom/SwatchCardPage')).SwatchCardPage },
  {
    path: '/flowers/:flowerId/new-piece',
    load: async () => (await import('./places/flower/NewPiecePage')).NewPiecePage,
  },
  { path: '/flowers/:flowerId/:pieceId', load: async () => (await import('./places/flower/FlowerPage')).FlowerPage },
  {
    path: '/flowers/:flowerId/:pieceId/run-sheet',
    load: async () => (await import('./places/flower/RunSheetPage')).RunSheetPage,
  },
  {
    path: '/paste-day',
    load: async () => (await import('./places/pasteDay/PasteDayPage')).PasteDayPage,
    words: ['paste'],
  },
  { path: '/studio', load: async () => (await import('./places/studio/StudioPage')).StudioPage },
  { path: '/mixing', load: async () => (await import('./places/mixing/MixingPage')).MixingPage },
  { path: '/cabinet', load: async () => (await import('./places/cabinet/CabinetPage')).CabinetPage },
  {
    path: '/cabinet/:id',
    load: async () => (await import('./places/cabinet/MaterialPage')).MaterialPage,
    words: ['jars'],
  },
  { path: '/files', load: async () => (await import('./places/files/FilesPage')).FilesPage, words: ['files'] },
  { path: '/logbook', load: async () => (await import('./places/logbook/LogbookPage')).LogbookPage },
  { path: '/glossary', load: async () => (await import('./places/glossary/GlossaryPage')).GlossaryPage },
]

export function App() {
  return (
    <Router hook={useAddress} searchHook={useAddressSearch}>
      <Frame>
        <Switch>
          <Route path="/">
            <Redirect to={firstPage} replace />
          </Route>
          {pages.map(({ path, load, words }) => (
            <Route key={path} path={path}>
              <Place name={path} load={load} words={words} />
            </Route>
          ))}
          <Route>
            <NothingHere />
          </Route>
        </Switch>
      </Frame>
    </Router>
  )
}
