import type { ComponentType } from 'react'
import { Redirect, Route, Router, Switch } from 'wouter'
import { useAddress, useAddressSearch } from './shared/address'
import type { WordGroup } from './shared/catalogue'
import { Frame } from './shared/Frame'
import { Gate } from './shared/Gate'
import { later } from './shared/later'
import { NothingHere } from './shared/NothingHere'
import { Place } from './shared/Place'

/** What the application opens with: its words are there already, and its code is as little as can be. */
const firstPage = '/commissions'

/** @param words That come with it, beside those of the first page. */
const page = (path: string, load: () => Promise<ComponentType>, words: WordGroup[] = ['rest']) => ({
  path,
  Page: later(path, load, words),
})

/** Every page by its address; the first that fits is shown. */
const pages = [
  page(firstPage, async () => (await import('./places/commissions/CommissionsPage')).CommissionsPage, []),
  page('/commissions/new', async () => (await import('./places/commissions/CommissionPage')).CommissionPage, [
    'rest',
    'people',
  ]),
  page('/commissions/:commissionId', async () => (await import('./places/commissions/CommissionPage')).CommissionPage, [
    'rest',
    'people',
  ]),
  page(
    '/commissions/:commissionId/new-flower',
    async () => (await import('./places/commissions/NewFlowerPage')).NewFlowerPage,
  ),
  page(
    '/commissions/:commissionId/run-sheet',
    async () => (await import('./places/sheets/RunSheetPage')).RunSheetPage,
    ['rest', 'paste'],
  ),
  page('/commissions/:commissionId/dust-day', async () => (await import('./places/dustDay/DustDayPage')).DustDayPage, [
    'rest',
    'paste',
  ]),
  page('/commissions/:commissionId/spray', async () => (await import('./places/bloom/SprayPage')).SprayPage),
  page(
    '/commissions/:commissionId/spray-plan',
    async () => (await import('./places/sheets/SprayPlanPage')).SprayPlanPage,
    ['rest', 'paste'],
  ),
  page('/commissions/:commissionId/together', async () => (await import('./places/flower/TogetherPage')).TogetherPage, [
    'rest',
    'plan',
  ]),
  page('/bin', async () => (await import('./places/commissions/BinPage')).BinPage),
  page('/flowers/:flowerId/targets', async () => (await import('./places/targets/TargetsPage')).TargetsPage, [
    'rest',
    'jars',
  ]),
  page('/flowers/:flowerId/ombre', async () => (await import('./places/pasteDay/OmbrePage')).OmbrePage, [
    'rest',
    'paste',
  ]),
  page('/flowers/:flowerId/marble', async () => (await import('./places/pasteDay/MarblePage')).MarblePage, [
    'rest',
    'paste',
  ]),
  page('/flowers/:flowerId/bloom', async () => (await import('./places/bloom/BloomPage')).BloomPage, ['rest', 'jars']),
  page('/flowers/:flowerId/card', async () => (await import('./places/bloom/SwatchCardPage')).SwatchCardPage),
  page('/flowers/:flowerId/new-piece', async () => (await import('./places/flower/NewPiecePage')).NewPiecePage),
  page('/flowers/:flowerId/assembly', async () => (await import('./places/sheets/AssemblyPage')).AssemblyPage, [
    'rest',
    'paste',
  ]),
  page('/flowers/:flowerId/run-sheet', async () => (await import('./places/sheets/RunSheetPage')).RunSheetPage, [
    'rest',
    'paste',
  ]),
  page('/flowers/:flowerId/:pieceId?', async () => (await import('./places/flower/FlowerPage')).FlowerPage, [
    'rest',
    'read',
  ]),
  page(
    '/flowers/:flowerId/:pieceId/run-sheet',
    async () => (await import('./places/sheets/RunSheetPage')).RunSheetPage,
    ['rest', 'paste'],
  ),
  page('/bench', async () => (await import('./places/bench/BenchPage')).BenchPage, ['rest', 'paste', 'plan', 'bench']),
  page('/plan', async () => (await import('./places/plan/PlanPage')).PlanPage, ['rest', 'paste', 'plan', 'people']),
  page('/paste-day', async () => (await import('./places/pasteDay/PasteDayPage')).PasteDayPage, ['rest', 'paste']),
  page('/studio', async () => (await import('./places/studio/StudioPage')).StudioPage, ['rest', 'people']),
  page('/mixing', async () => (await import('./places/mixing/MixingPage')).MixingPage, ['rest', 'learn']),
  page('/cabinet', async () => (await import('./places/cabinet/CabinetPage')).CabinetPage),
  page('/cabinet/:id', async () => (await import('./places/cabinet/MaterialPage')).MaterialPage, [
    'rest',
    'jars',
    'learn',
    'read',
  ]),
  page('/files', async () => (await import('./places/files/FilesPage')).FilesPage, ['rest', 'files']),
  page('/logbook', async () => (await import('./places/logbook/LogbookPage')).LogbookPage, ['rest', 'learn', 'read']),
  page('/practice', async () => (await import('./places/practice/PracticePage')).PracticePage, ['rest', 'practice']),
  page('/people', async () => (await import('./places/people/PeoplePage')).PeoplePage, ['rest', 'people']),
  page('/me', async () => (await import('./places/people/MePage')).MePage, ['rest', 'people']),
  page('/glossary', async () => (await import('./places/glossary/GlossaryPage')).GlossaryPage),
]

/** What is seen without having signed in. */
const door = page('/door', async () => (await import('./places/door/DoorPage')).DoorPage, ['rest', 'people'])
const outside = [
  page('/in/:token', async () => (await import('./places/door/CodePage')).CodePage, ['rest', 'people']),
  page('/guest/:token', async () => (await import('./places/door/GuestPage')).GuestPage, ['rest', 'people']),
]

export function App() {
  return (
    <Place>
      <Router hook={useAddress} searchHook={useAddressSearch}>
        <Switch>
          {outside.map(({ path, Page }) => (
            <Route key={path} path={path}>
              <Page />
            </Route>
          ))}
          <Route>
            <Gate door={door.Page}>
              <Frame>
                <Place>
                  <Switch>
                    <Route path="/">
                      <Redirect to={firstPage} replace />
                    </Route>
                    {pages.map(({ path, Page }) => (
                      <Route key={path} path={path}>
                        <Page />
                      </Route>
                    ))}
                    <Route>
                      <NothingHere />
                    </Route>
                  </Switch>
                </Place>
              </Frame>
            </Gate>
          </Route>
        </Switch>
      </Router>
    </Place>
  )
}
