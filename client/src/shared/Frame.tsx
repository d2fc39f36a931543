import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { CircleUserRound, Keyboard, Moon, Search, Settings2, Sun } from 'lucide-react'
import type { ReactNode } from 'react'
import { useEffect, useState } from 'react'
import { useTranslation } from './translation'
import { Link } from 'wouter'
import type { Me } from '../api/api'
import { answer, api, madeFrom } from '../api/api'
import { queries } from '../api/queries'
import { FrameSlot } from './FrameState'
import { measureIn, speak } from './language'
import { kept } from './kept'
import { later } from './later'
import type { Theme } from './theme'
import { chooseTheme, useTheme } from './theme'
import { useKeys } from './useKeys'
import { NavLink } from './NavLink'

const JumpBox = later('jump-box', async () => (await import('./JumpBox')).JumpBox)

const Shortcuts = later('shortcuts', async () => (await import('./Shortcuts')).Shortcuts)

const places = [
  'bench',
  'commissions',
  'plan',
  'paste-day',
  'mixing',
  'cabinet',
  'logbook',
  'practice',
  'files',
] as const

/** The frame round every place: word mark, places, what is jumped to, theme. A place adds its own state at the right by the slot. */
export function Frame({ children }: { children: ReactNode }) {
  const { t } = useTranslation()
  const studio = useQuery(queries.studio()).data
  const me = useQuery(queries.me()).data
  const who = me?.id
  useEffect(() => {
    if (who) void import('../core/belongTo').then(({ belongTo }) => belongTo(who, kept))
  }, [who])
  const preferred = me?.preferences
  useEffect(() => {
    if (studio) measureIn((preferred?.measures ?? studio.measures) === 'imperial', studio.scaleDecimals)
  }, [studio, preferred?.measures])
  const spoken = me && (me.preferences.language ?? me.studioLanguage)
  useEffect(() => {
    if (spoken) void speak(spoken).catch(() => undefined)
  }, [spoken])
  const theme = useTheme()
  const client = useQueryClient()
  const keepTheme = useMutation({
    mutationFn: ({ me, theme }: { me: Me; theme: Theme }) =>
      answer(
        api.PUT('/api/me', {
          headers: madeFrom(me.version),
          body: { name: me.name, preferences: { ...me.preferences, theme } },
        }),
      ),
    onSuccess: (saved) => client.setQueryData(queries.me().queryKey, saved),
  })
  const wantedTheme = preferred?.theme
  useEffect(() => {
    if (wantedTheme) chooseTheme(wantedTheme)
  }, [wantedTheme])
  const [slot, setSlot] = useState<HTMLElement | null>(null)
  const [opened, setOpened] = useState<'jump' | 'keys' | null>(null)
  useKeys({ '/': () => setOpened('jump'), '?': () => setOpened('keys') })
  const other = theme === 'light' ? 'dark' : 'light'
  const icon = 'quiet hover:text-base-content min-h-6 min-w-6 cursor-pointer p-1'
  return (
    <div className="flex min-h-dvh flex-col">
      <a className="btn btn-primary sr-only focus:not-sr-only focus:absolute focus:z-50" href="#place">
        {t('frame.skip')}
      </a>
      <header className="border-base-300 flex flex-wrap items-center gap-x-3 gap-y-1 border-b px-4 py-2 lg:h-14 lg:flex-nowrap lg:gap-x-5 lg:px-6 print:hidden">
        <span className="name text-xl whitespace-nowrap">
          {t('frame.name')}
          {me?.isDemo && (
            <span
              className="quiet border-base-content/40 ml-2 rounded-sm border px-1 align-middle font-sans text-xs"
              title={t('frame.demoHelp')}
            >
              {t('frame.demo')}
            </span>
          )}
        </span>
        <nav aria-label={t('frame.places')} className="order-last w-full lg:order-none lg:w-auto">
          <ul className="flex flex-wrap gap-x-4 lg:gap-x-3.5 lg:text-[0.9375rem]">
            {places.map((place) => (
              <li key={place}>
                <NavLink
                  to={`/${place}`}
                  className={(isHere) =>
                    `inline-flex min-h-6 items-center whitespace-nowrap ${isHere ? 'font-semibold' : 'quiet hover:text-base-content'}`
                  }
                >
                  {t(`frame.${place}`)}
                </NavLink>
              </li>
            ))}
          </ul>
        </nav>
        {/* On a narrow screen a line of its own: what a place puts there later pushes nothing about. */}
        <div
          ref={setSlot}
          className="order-last flex min-h-5 w-full min-w-0 items-center gap-4 text-sm lg:order-none lg:ml-auto lg:min-h-0 lg:w-auto"
        />
        <span className="ml-auto flex items-center gap-1 lg:ml-0">
          <button
            className={icon}
            aria-label={t('jump.open')}
            title={`${t('jump.open')} ( / )`}
            onClick={() => setOpened('jump')}
          >
            <Search size={18} aria-hidden />
          </button>
          <button
            className={icon}
            aria-label={t('keys.open')}
            title={`${t('keys.open')} ( ? )`}
            onClick={() => setOpened('keys')}
          >
            <Keyboard size={18} aria-hidden />
          </button>
          <Link to="/studio" className={icon} aria-label={t('frame.studio')} title={t('frame.studio')}>
            <Settings2 size={18} aria-hidden />
          </Link>
          <Link
            to="/me"
            className={icon}
            aria-label={t('frame.me')}
            title={me ? `${t('frame.me')}: ${me.name}` : t('frame.me')}
          >
            <CircleUserRound size={18} aria-hidden />
          </Link>
          <button
            className={icon}
            aria-label={t(`frame.theme.${other}`)}
            title={t(`frame.theme.${other}`)}
            onClick={() => {
              chooseTheme(other)
              // Where she has a theme of her own it follows her to other browsers.
              if (me?.preferences.theme) keepTheme.mutate({ me, theme: other })
            }}
          >
            {other === 'dark' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
          </button>
        </span>
      </header>
      <div id="place" className="flex min-h-0 min-w-0 grow flex-col" tabIndex={-1}>
        {me?.role === 'helper' && <p className="quiet px-4 pt-2 text-sm lg:px-6 print:hidden">{t('frame.helping')}</p>}
        <FrameSlot value={slot}>{children}</FrameSlot>
      </div>
      {opened === 'jump' && <JumpBox onClose={() => setOpened(null)} />}
      {opened === 'keys' && <Shortcuts onClose={() => setOpened(null)} />}
    </div>
  )
}
