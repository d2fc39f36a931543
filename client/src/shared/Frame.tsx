import { useQuery } from '@tanstack/react-query'
import { Moon, Ruler, Sun } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useTranslation } from 'react-i18next'
import { Link, NavLink, Outlet } from 'react-router'
import { queries } from '../api/queries'
import { FrameSlot } from './FrameState'
import { measureIn } from './measures'
import { chooseTheme, currentTheme } from './theme'

const places = ['commissions', 'paste-day', 'mixing', 'cabinet', 'logbook'] as const

/** The frame round every place: word mark, places, theme. A place adds its own state at the right by the slot. */
export function Frame() {
  const { t, i18n } = useTranslation()
  const measures = useQuery(queries.measuring()).data?.measures
  useEffect(() => {
    if (measures) measureIn(i18n, measures === 'imperial')
  }, [measures, i18n])
  const [theme, setTheme] = useState(currentTheme)
  const [slot, setSlot] = useState<HTMLElement | null>(null)
  const other = theme === 'light' ? 'dark' : 'light'
  return (
    <div className="flex min-h-dvh flex-col">
      <a className="btn btn-primary sr-only focus:not-sr-only focus:absolute focus:z-50" href="#place">
        {t('frame.skip')}
      </a>
      <header className="border-base-300 flex flex-wrap items-center gap-x-6 gap-y-1 border-b px-4 py-2 lg:h-14 lg:px-6 print:hidden">
        <span className="name text-xl">{t('frame.name')}</span>
        <nav aria-label={t('frame.places')} className="order-last w-full sm:order-none sm:w-auto">
          <ul className="flex flex-wrap gap-x-5">
            {places.map((place) => (
              <li key={place}>
                <NavLink
                  to={`/${place}`}
                  className={({ isActive }) => (isActive ? 'font-semibold' : 'quiet hover:text-base-content')}
                >
                  {t(`frame.${place}`)}
                </NavLink>
              </li>
            ))}
          </ul>
        </nav>
        <div ref={setSlot} className="ml-auto flex items-center gap-4 text-sm" />
        <Link
          to="/measuring"
          className="quiet hover:text-base-content p-1"
          aria-label={t('measuring.title')}
          title={t('measuring.title')}
        >
          <Ruler size={18} aria-hidden />
        </Link>
        <button
          className="quiet hover:text-base-content cursor-pointer p-1"
          aria-label={t(`frame.theme.${other}`)}
          title={t(`frame.theme.${other}`)}
          onClick={() => {
            chooseTheme(other)
            setTheme(other)
          }}
        >
          {other === 'dark' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
        </button>
      </header>
      <div id="place" className="flex min-h-0 grow flex-col" tabIndex={-1}>
        <FrameSlot value={slot}>
          <Outlet />
        </FrameSlot>
      </div>
    </div>
  )
}
