import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Box, ColourView, PictureReading } from '../../api/api'
import { answer, api, upload } from '../../api/api'
import { DropZone } from '../../shared/DropZone'
import { FileButton } from '../../shared/FileButton'
import { Failure } from '../../shared/Message'
import { newId } from '../../shared/newId'
import type { Spot } from '../../shared/PictureBoard'
import { PictureBoard } from '../../shared/PictureBoard'
import { PictureDoubts } from '../../shared/PictureDoubts'
import { fileOf, pictureTypes } from '../../shared/pictureFiles'
import { Swatch } from '../../shared/Swatch'
import { colourName } from '../../shared/words'
import { Editor } from '../../shared/Editor'
import type { DabToRead } from './dabToRead'
import { StandInJar } from './StandInJar'

interface Laid {
  id: string
  card: Box | null
  dab: Box | null
}

/** Reads a dab from a picture with a white card beside it. The picture is only read, not kept. */
export function DabPicture({ dab, onRead }: { dab: DabToRead; onRead: (colour: ColourView) => void }) {
  const { number, materialId, materials, baseId, amount, onClose } = dab
  const { t } = useTranslation()
  const [laid, setLaid] = useState<Laid | null>(null)
  const [chosen, setChosen] = useState<'card' | 'dab'>('card')
  const read = useMutation({
    mutationFn: ({ id, card, dab }: Laid) =>
      answer(
        api.POST('/api/dab-pictures/{id}/read', {
          params: { path: { id } },
          body: { light: { mark: card, kind: 'whiteCard', asIs: false }, boxes: [dab!] },
        }),
      ),
  })
  const look = (next: Laid) => {
    setLaid(next)
    if (next.card && next.dab) read.mutate(next)
    else read.reset()
  }
  const add = useMutation({
    mutationFn: async ({ file, card, dab }: { file: Blob; card: Box | null; dab: Box | null }) => {
      const id = newId()
      await upload(`/api/dab-pictures/${id}`, file)
      return { id, card, dab }
    },
    onSuccess: (next) => {
      setChosen(next.card ? 'dab' : 'card')
      look(next)
    },
  })
  const shoot = useMutation({
    mutationFn: (body: { materialId: string; amount: number; baseId: string; take: number }) =>
      answer(api.POST('/api/bench/light-box/dabs', { body })),
    onSuccess: (shot) => add.mutate({ file: fileOf(shot), card: shot.card, dab: shot.subject }),
  })
  const take = (file: File) => add.mutate({ file, card: null, dab: null })
  const spots: Spot[] = [
    { id: 'card', label: t('dabs.card'), box: laid?.card ?? null, isLoose: true },
    { id: 'dab', label: t('dabs.dab', { number }), box: laid?.dab ?? null },
  ]
  return (
    <Editor title={t('dabs.pictureTitle', { number })} onClose={onClose}>
      <DropZone takesPaste onFile={take}>
        <div className="flex flex-wrap items-end gap-3">
          <FileButton label={t('dabs.pictureFile')} accept={pictureTypes} onFile={take}>
            {t('pictures.choose')}
          </FileButton>
          <FileButton label={t('pictures.cameraFile')} accept={pictureTypes} capture onFile={take}>
            {t('pictures.camera')}
          </FileButton>
          <StandInJar
            device="lightBox"
            materialId={materialId}
            materials={materials}
            isBusy={shoot.isPending || add.isPending}
            onUse={(jar, takes) => shoot.mutate({ materialId: jar, amount, baseId, take: takes + 10 * number })}
          />
        </div>
        <Failure error={add.error ?? shoot.error} nameOf={(id) => id} />
        {laid && (
          <div className="mt-3 grid gap-4 md:grid-cols-[minmax(0,30rem)_minmax(0,1fr)]">
            <PictureBoard
              src={`/api/dab-pictures/${laid.id}/image`}
              alt={t('dabs.pictureTitle', { number })}
              spots={spots}
              chosenId={chosen}
              onChoose={(id) => setChosen(id as 'card' | 'dab')}
              onMove={(id, box) => {
                look({ ...laid, [id]: box })
                if (id === 'card' && !laid.dab) setChosen('dab')
              }}
            />
            <div className="text-sm">
              <p>{t(laid.card ? (laid.dab ? 'dabs.moved' : 'dabs.markDab') : 'dabs.markCard')}</p>
              {read.data && <Reading reading={read.data} onRead={onRead} />}
              <Failure error={read.error} nameOf={(id) => id} />
            </div>
          </div>
        )}
      </DropZone>
    </Editor>
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
