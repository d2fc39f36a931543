import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import type { Material } from '../../api/api'
import { queries } from '../../api/queries'
import { Reading, Unreadable } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import { colourName } from '../../shared/words'

const shelves = ['paste', 'colourant', 'dust', 'lustre', 'extender', 'glaze', 'thinner', 'crumb', 'adhesive', 'wire', 'tape', 'stamens']

/** What stands in the studio's cabinet, shelf by shelf, each with its colour and whether it may be eaten. */
export function CabinetPage() {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.materials())
  const [wanted, setWanted] = useState('')
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const found = data.filter((m) =>
    `${m.name} ${m.dyeFamily} ${m.note}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  )
  return (
    <main className="w-full">
      <div className="flex flex-wrap items-end gap-4 px-4 pt-5 pb-4 lg:px-6">
        <div>
          <h1 className="name text-3xl">{t('cabinet.title')}</h1>
          <p className="quiet text-sm">{t('cabinet.help')}</p>
        </div>
        <label className="ml-auto text-sm">
          <span className="quiet block text-xs">{t('cabinet.find')}</span>
          <input
            type="search"
            className="input input-sm w-56"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
        </label>
      </div>
      {found.length === 0 && <p className="px-4 pb-6 lg:px-6">{t('cabinet.none', { wanted })}</p>}
      {shelves.map((shelf) => {
        const materials = found.filter((material) => material.kind === shelf)
        return (
          materials.length > 0 && (
            <section key={shelf} aria-labelledby={`shelf-${shelf}`}>
              <h2 id={`shelf-${shelf}`} className="border-base-300 border-t px-4 pt-4 pb-2 font-semibold lg:px-6">
                {t(`cabinet.shelf.${shelf}`)} <span className="quiet font-normal">{materials.length}</span>
              </h2>
              <ul className="surround grid grid-cols-[repeat(auto-fill,minmax(13.5rem,1fr))] gap-x-4 gap-y-4 px-4 py-4 lg:px-6">
                {materials.map((material) => (
                  <Jar key={material.id} material={material} />
                ))}
              </ul>
            </section>
          )
        )
      })}
      <p className="quiet max-w-prose px-4 py-6 text-sm lg:px-6">{t('cabinet.foodHelp')}</p>
    </main>
  )
}

function Jar({ material }: { material: Material }) {
  const { t } = useTranslation()
  const { chip, foodStatus, loadLimit } = material
  return (
    <li className="flex gap-3 text-sm leading-snug">
      {chip ? (
        <Swatch colour={chip} label={material.name} className="h-14 w-14 rounded-b-2xl" />
      ) : (
        <span aria-hidden className="border-surround-ink h-14 w-14 shrink-0 rounded-b-2xl border border-dashed" />
      )}
      <div className="min-w-0">
        <h3 className="font-semibold">{material.name}</h3>
        <p>
          <span className="font-semibold">{t(`food.${foodStatus}`)}</span>
          {material.form !== material.kind && ` · ${material.form}`}
        </p>
        {chip && <p>{colourName(t, chip)}</p>}
        {material.dyeFamily && material.dyeFamily !== 'none' && <p>{material.dyeFamily}</p>}
        {loadLimit !== null && (
          <p>{t(material.kind === 'colourant' ? 'cabinet.limitPaste' : 'cabinet.limitDust', { limit: loadLimit })}</p>
        )}
        {material.note && <p className="italic">{material.note}</p>}
      </div>
    </li>
  )
}
