import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Material, MaterialKind } from '../../api/api'
import { stillBought } from '../../shared/cabinet'
import { Swatch } from '../../shared/Swatch'

type Shelf = 'dust' | 'lustre' | 'wash' | 'setting' | 'pollen'

const kindsOn: Record<Shelf, MaterialKind[]> = {
  dust: ['dust', 'extender'],
  lustre: ['lustre'],
  wash: ['colourant'],
  setting: ['glaze'],
  pollen: ['crumb'],
}

const shelves = Object.keys(kindsOn) as Shelf[]

/** What is on the bench: take one and it becomes the next coat. */
export function Tray({ materials, onTake }: { materials: Material[]; onTake: (what: Material | 'steam') => void }) {
  const { t } = useTranslation()
  const [shelf, setShelf] = useState<Shelf>('dust')
  const pots = stillBought(materials).filter((material) => kindsOn[shelf].includes(material.kind))
  return (
    <section
      aria-label={t('tray.title')}
      className="border-base-300 bg-base-100 flex min-w-0 flex-col border-t sm:flex-row"
    >
      <div
        role="group"
        aria-label={t('tray.shelves')}
        className="flex shrink-0 gap-4 px-4 py-2 text-sm sm:grid sm:w-60 sm:grid-cols-2 sm:content-start sm:gap-x-4 sm:gap-y-0.5"
      >
        {shelves.map((name) => (
          <button
            key={name}
            aria-pressed={shelf === name}
            className={`min-h-6 cursor-pointer text-left ${shelf === name ? 'font-semibold' : 'quiet hover:text-base-content'}`}
            onClick={() => setShelf(name)}
          >
            {t(`tray.${name}`)}
          </button>
        ))}
      </div>
      <ul
        className="surround flex min-w-0 grow gap-1 overflow-x-auto px-3 py-2"
        tabIndex={0}
        aria-label={t(`tray.${shelf}`)}
      >
        {shelf === 'setting' && (
          <li>
            <Pot name={t('tray.steam')} onTake={() => onTake('steam')} />
          </li>
        )}
        {pots.map((material) => (
          <li key={material.id}>
            <Pot name={material.name} material={material} onTake={() => onTake(material)} />
          </li>
        ))}
      </ul>
    </section>
  )
}

function Pot({ name, material, onTake }: { name: string; material?: Material; onTake: () => void }) {
  const { t } = useTranslation()
  return (
    <button
      className="group flex w-21 cursor-pointer flex-col items-center gap-1 p-1"
      aria-label={t('tray.take', { name })}
      onClick={onTake}
    >
      {material?.chip ? (
        <Swatch colour={material.chip} className="h-7 w-16 rounded-b-xl" />
      ) : (
        <span aria-hidden className="border-surround-ink block h-7 w-16 rounded-b-xl border border-dashed" />
      )}
      <span className="w-full truncate text-center text-xs group-hover:underline">{name}</span>
    </button>
  )
}
