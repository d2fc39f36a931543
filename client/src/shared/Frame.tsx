import { useQuery } from '@tanstack/react-query'
import { Keyboard, Moon, Search, Settings2, Sun } from 'lucide-react'
import type { ReactNode } from 'react'
import { useEffect, useState } from 'react'
import { useTranslation } from './translation'
import { Link } from 'wouter'
import { queries } from '../api/queries'
import { FrameSlot } from './FrameState'
import { JumpBox } from './JumpBox'
import { measureIn } from './language'
import { Shortcuts } from './Shortcuts'
import { chooseTheme, currentTheme } from './theme'
import { useKeys } from './useKeys'
import { NavLink } from './NavLink'

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
  useEffect(() => {
    if (studio) measureIn(studio.measures === 'imperial', studio.scaleDecimals)
  }, [studio])
  const [theme, setTheme] = useState(currentTheme)
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
      <header className="border-base-300 flex flex-wrap items-center gap-x-6 gap-y-1 border-b px-4 py-2 lg:h-14 lg:flex-nowrap lg:px-6 print:hidden">
        <span className="name text-xl whitespace-nowrap">{t('frame.name')}</span>
        <nav aria-label={t('frame.places')} className="order-last w-full lg:order-none lg:w-auto">
          <ul className="flex flex-wrap gap-x-4">
            {places.map((place) => (
              <li key={place}>
                <NavLink
                  to={`/${place}`}
                  className={(isHere) =>
                    `whitespace-nowrap ${isHere ? 'font-semibold' : 'quiet hover:text-base-content'}`
                  }
                >
                  {t(`frame.${place}`)}
                </NavLink>
              </li>
            ))}
          </ul>
        </nav>
        <div ref={setSlot} className="ml-auto flex min-w-0 items-center gap-4 text-sm" />
        <span className="flex items-center gap-1">
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
          <button
            className={icon}
            aria-label={t(`frame.theme.${other}`)}
            title={t(`frame.theme.${other}`)}
            onClick={() => {
              chooseTheme(other)
              setTheme(other)
            }}
          >
            {other === 'dark' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
          </button>
        </span>
      </header>
      <div id="place" className="flex min-h-0 min-w-0 grow flex-col" tabIndex={-1}>
        <FrameSlot value={slot}>{children}</FrameSlot>
      </div>
      {opened === 'jump' && <JumpBox onClose={() => setOpened(null)} />}
      {opened === 'keys' && <Shortcuts onClose={() => setOpened(null)} />}
    </div>
  )
}
