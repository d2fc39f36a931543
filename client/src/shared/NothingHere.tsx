import { useTranslation } from './translation'
import { Link, useLocation } from 'wouter'
import { PageTitle } from './PageTitle'

/** What an address of ours that leads nowhere any more was for. */
function goneThing(path: string): 'flower' | 'commission' | 'jar' | null {
  if (/^\/flowers\/./.test(path)) return 'flower'
  if (/^\/commissions\/./.test(path)) return 'commission'
  return /^\/cabinet\/./.test(path) ? 'jar' : null
}

/** For a wrong or a dead address: what is gone, and where to go on. */
export function NothingHere() {
  const { t } = useTranslation()
  const [pathname] = useLocation()
  const gone = goneThing(pathname)
  return (
    <main className="p-6">
      <PageTitle title={t(gone ? `nothingHere.gone.${gone}` : 'nothingHere.title')} className="text-2xl" />
      <p className="mt-2 max-w-prose">
        {t(gone ? `nothingHere.goneHelp.${gone}` : 'nothingHere.help', { path: pathname })}
      </p>
      <ul className="mt-3 space-y-1">
        <li>
          <Link className="act min-h-6" to="/commissions">
            {t('nothingHere.back')}
          </Link>
        </li>
        {gone === 'jar' ? (
          <li>
            <Link className="act min-h-6" to="/cabinet">
              {t('nothingHere.cabinet')}
            </Link>
          </li>
        ) : (
          <li>
            <Link className="act min-h-6" to="/bin">
              {t('nothingHere.bin')}
            </Link>
          </li>
        )}
      </ul>
    </main>
  )
}
