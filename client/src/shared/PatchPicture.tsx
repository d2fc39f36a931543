import { useMutation } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { useState } from 'react'
import { useTranslation } from './translation'
import type { Box, ColourView, Picture, PictureReading } from '../api/api'
import { answer, api, upload } from '../api/api'
import { DropZone } from './DropZone'
import { Failure } from './Message'
import { newId } from './newId'
import type { Spot } from './PictureBoard'
import { PictureBoard } from './PictureBoard'
import { PictureButtons } from './PictureButtons'
import { PictureDoubts } from './PictureDoubts'
import { imageOf } from './pictureFiles'
import { Swatch } from './Swatch'
import { colourName } from './words'

interface Marks {
  card: Box | null
  patch: Box | null
}

interface Laid extends Marks {
  id: string
  /** It stays with its flower; else it was laid out only to be read. */
  isKept: boolean
}

/** A picture that is taken in, or that is kept already: where its card and its patch lie, if that is known. */
export type TakenPicture = Marks & ({ file: Blob } | { kept: Picture })

/** Reads one colour from a picture with a white card beside it. A file is only read, not kept. */
export function PatchPicture({
  title,
  patchLabel,
  standIn,
  onRead,
}: {
  /** What the picture shows. */
  title: string
  patchLabel: string
  /** Where a picture can be had that is no file of hers. */
  standIn?: (take: (picture: TakenPicture) => void, isBusy: boolean) => ReactNode
  onRead: (colour: ColourView) => void
}) {
  const { t } = useTranslation()
  const [laid, setLaid] = useState<Laid | null>(null)
  const [chosen, setChosen] = useState<'card' | 'patch'>('card')
  const read = useMutation({
    mutationFn: ({ id, isKept, card, patch }: Laid) =>
      answer(
        api.POST(isKept ? '/api/pictures/{id}/read' : '/api/dab-pictures/{id}/read', {
          params: { path: { id } },
          body: { light: { mark: card, kind: 'whiteCard', asIs: false }, boxes: [patch!] },
        }),
      ),
  })
  const look = (next: Laid) => {
    setLaid(next)
    if (next.card && next.patch) read.mutate(next)
    else read.reset()
  }
  const add = useMutation({
    mutationFn: async ({ card, patch, ...taken }: TakenPicture): Promise<Laid> => {
      if ('kept' in taken) return { id: taken.kept.id, isKept: true, card, patch }
      const id = newId()
      await upload(`/api/dab-pictures/${id}`, taken.file)
      return { id, isKept: false, card, patch }
    },
    onSuccess: (next) => {
      setChosen(next.card ? 'patch' : 'card')
      look(next)
    },
  })
  const take = (file: File) => add.mutate({ file, card: null, patch: null })
  const spots: Spot[] = [
    { id: 'card', label: t('dabs.card'), box: laid?.card ?? null, isLoose: true },
    { id: 'patch', label: patchLabel, box: laid?.patch ?? null },
  ]
  return (
    <DropZone takesPaste onFile={take}>
      <div className="flex flex-wrap items-end gap-3">
        <PictureButtons label={title} onFile={take} />
        {standIn?.(add.mutate, add.isPending)}
      </div>
      <Failure error={add.error} nameOf={(id) => id} />
      {laid && (
        <div className="mt-3 grid gap-4 md:grid-cols-[minmax(0,30rem)_minmax(0,1fr)]">
          <PictureBoard
            src={laid.isKept ? imageOf(laid) : `/api/dab-pictures/${laid.id}/image`}
            alt={title}
            spots={spots}
            chosenId={chosen}
            onChoose={(id) => setChosen(id as 'card' | 'patch')}
            onMove={(id, box) => {
              look({ ...laid, [id]: box })
              if (id === 'card' && !laid.patch) setChosen('patch')
            }}
          />
          <div className="text-sm">
            <p>{t(laid.card ? (laid.patch ? 'dabs.moved' : 'dabs.markPatch') : 'dabs.markCard')}</p>
            {read.data && <Reading reading={read.data} onRead={onRead} />}
            <Failure error={read.error} nameOf={(id) => id} />
          </div>
        </div>
      )}
    </DropZone>
  )
}

function Reading({ reading, onRead }: { reading: PictureReading; onRead: (colour: ColourView) => void }) {
  const { t } = useTranslation()
  const patch = reading.patches[0]!
  return (
    <>
      <div className="surround my-3 inline-flex items-center gap-3 p-4">
        <Swatch colour={patch.colour} className="h-14 w-24" />
        <span>{colourName(t, patch.colour)}</span>
      </div>
      <PictureDoubts light={reading.doubts} patches={[patch]} />
      <button type="button" className="btn btn-sm mt-2 block" onClick={() => onRead(patch.colour)}>
        {t('dabs.use')}
      </button>
    </>
  )
}
