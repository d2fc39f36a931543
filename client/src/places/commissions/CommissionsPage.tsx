import { useQuery } from '@tanstack/react-query'
import { useTranslation } from 'react-i18next'
import { Link } from 'react-router'
import { queries } from '../../api/queries'
import { Reading, Unreadable } from '../../shared/Message'
import { Diets } from './Diets'
import { PieceDrawing } from '../../shared/PieceDrawing'
import { flowerCount } from '../../shared/words'

const tallestPx = 76
const shortestPx = 22

/** All work in the studio, first due first; each flower shows its pieces in their finished colours. */
export function CommissionsPage() {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.commissions())
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  return (
    <main className="w-full">
      <div className="px-4 pt-5 pb-4 lg:px-6">
        <h1 className="name text-3xl">{t('commission.title')}</h1>
        <p className="quiet text-sm">
          {data.studioName}, {data.maker}
        </p>
      </div>
      {data.commissions.length === 0 && <p className="px-6">{t('commission.none')}</p>}
      {data.commissions.map(({ commission, flowers }) => (
        <section key={commission.id} aria-labelledby={commission.id} className="border-base-300 border-t">
          <div className="flex flex-wrap items-baseline gap-x-4 px-4 pt-4 pb-3 lg:px-6">
            <h2 id={commission.id} className="name text-xl">
              {commission.name}
            </h2>
            <p className="text-sm">
              {t('commission.due', { count: commission.dueInDays })}
              <span className="quiet">
                {' '}
                · {commission.place}
                {commission.roomHumidityPercent !== null &&
                  ` · ${t('commission.humidity', { percent: commission.roomHumidityPercent })}`}
              </span>
            </p>
            <p className="flex flex-wrap gap-x-4 text-sm lg:ml-auto">
              {(['new-flower', 'dust-day', 'spray'] as const).map((place) => (
                <Link key={place} className="act min-h-6" to={`/commissions/${commission.id}/${place}`}>
                  {t(`commission.to.${place}`)}
                  <span className="sr-only"> {commission.name}</span>
                </Link>
              ))}
            </p>
            <Diets commission={commission} />
          </div>
          <ul className="surround grid sm:grid-cols-2 lg:grid-cols-3">
            {flowers.map((flower) => {
              const longest = Math.max(...flower.pieces.map((piece) => piece.lengthMm))
              return (
                <li key={flower.id}>
                  <Link
                    to={`/flowers/${flower.id}`}
                    className="outline-surround-ink flex h-full flex-col gap-3 px-4 py-4 outline-offset-[-4px] hover:outline-1 lg:px-6"
                  >
                    <span aria-hidden className="flex h-20 items-end gap-3">
                      {flower.pieces.map((piece) => (
                        <PieceDrawing
                          key={piece.id}
                          piece={piece}
                          heightPx={shortestPx + (tallestPx - shortestPx) * Math.sqrt(piece.lengthMm / longest)}
                        />
                      ))}
                    </span>
                    <span>
                      <span className="name block text-lg underline-offset-4">{flower.name}</span>
                      <span className="block text-sm">{flowerCount(t, flower)}</span>
                    </span>
                  </Link>
                </li>
              )
            })}
          </ul>
        </section>
      ))}
    </main>
  )
}
