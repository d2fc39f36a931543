import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Palette, PieceView, StartingPoint, Zone } from '../../api/api'
import { upload } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { FileButton } from '../../shared/FileButton'
import { Failure, Reading, Unreadable } from '../../shared/Message'
import { SearchField } from '../../shared/SearchField'
import { Swatch } from '../../shared/Swatch'
import { colourName } from '../../shared/words'
import type { ChangeTargets } from './changeTargets'
import { StartCard } from './StartCard'
import { inSentence } from '../../shared/inSentence'

const shelves = ['flowers', 'leaves', 'fantasy'] as const

type Shelf = (typeof shelves)[number]

const isOn: Record<Shelf, (one: StartingPoint) => boolean> = {
  flowers: (one) => one.kind === 'natural' && !one.isLeaf,
  leaves: (one) => one.kind === 'natural' && one.isLeaf,
  fantasy: (one) => one.kind === 'fantasy',
}

/** Natural colourings and fantasy palettes to begin from, and palettes out of files. */
export function FromLibrary({ piece, zone, onChange }: { piece: PieceView; zone: Zone; onChange: ChangeTargets }) {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.startingPoints())
  const [shelf, setShelf] = useState<Shelf>('flowers')
  const [wanted, setWanted] = useState('')
  const [said, setSaid] = useState('')
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const words = wanted.trim().toLowerCase()
  const found = data.filter(
    (one) => isOn[shelf](one) && `${one.name} ${one.part} ${one.variant} ${one.seenIn}`.toLowerCase().includes(words),
  )
  return (
    <div className="px-4 lg:px-6">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <Choice
          legend={t('library.shelf')}
          options={shelves.map((value) => ({ value, label: t(`library.${value}`) }))}
          chosen={shelf}
          onChoose={setShelf}
        />
        <SearchField label={t('library.find')} value={wanted} onChange={setWanted} />
      </div>
      <PaletteFile zone={zone} onChange={onChange} />
      <p className="quiet max-w-prose pt-3 pb-2 text-sm">
        {t('library.help', { zone: inSentence(t(`zone.${zone}`)) })} {shelf !== 'fantasy' && t('library.living')}
      </p>
      <p className="sr-only" role="status">
        {said}
      </p>
      {found.length === 0 && <p>{t('library.none', { wanted })}</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(17rem,1fr))] gap-x-6 gap-y-5">
        {found.map((one) => (
          <StartCard key={one.id} start={one} piece={piece} zone={zone} onChange={onChange} onUsed={setSaid} />
        ))}
      </ul>
    </div>
  )
}

/** Colours out of a palette file, each to be used for the chosen zone. */
function PaletteFile({ zone, onChange }: { zone: Zone; onChange: ChangeTargets }) {
  const { t } = useTranslation()
  const read = useMutation({ mutationFn: (file: File) => upload<Palette>('/api/palettes/read', file) })
  return (
    <div className="pt-3 text-sm">
      <FileButton
        label={t('library.file')}
        accept=".gpl,.svg,image/svg+xml,text/plain"
        onFile={(file) => read.mutate(file)}
      >
        {t('library.open')}
      </FileButton>
      <Failure error={read.error} nameOf={(id) => id} />
      {read.data && (
        <section aria-label={t('library.palette', { name: read.data.name })} className="pt-2">
          <h2 className="font-semibold">{t('library.palette', { name: read.data.name })}</h2>
          <ul className="surround flex flex-wrap gap-2 p-3">
            {read.data.colours.map(({ name, colour }, i) => (
              <li key={i}>
                <button
                  type="button"
                  className="w-24 cursor-pointer text-left text-xs"
                  onClick={() => onChange({ [zone]: { colour: colour.lab } })}
                >
                  <Swatch colour={colour} label={name} className="block h-10 w-full" />
                  {name || colourName(t, colour)}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
