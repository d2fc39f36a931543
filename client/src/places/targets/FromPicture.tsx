import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { FlowerAnswer, PieceView, Zone } from '../../api/api'
import { answer, api, upload } from '../../api/api'
import { queries } from '../../api/queries'
import { DropZone } from '../../shared/DropZone'
import { FileButton } from '../../shared/FileButton'
import { Failure, NotThere } from '../../shared/Message'
import { newId } from '../../shared/newId'
import { fileOf, pictureTypes } from '../../shared/pictureFiles'
import { SelectField } from '../../shared/SelectField'
import { FirstTargets } from './FirstTargets'
import { OpenPicture } from './OpenPicture'
import type { ChangeTargets } from './changeTargets'

/** Targets from pictures of the living flower. The pictures stay with the flower. */
export function FromPicture({
  flower,
  piece,
  zone,
  onZone,
  onChange,
}: {
  flower: FlowerAnswer
  piece: PieceView
  zone: Zone
  onZone: (zone: Zone) => void
  onChange: ChangeTargets
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const pictures = useQuery(queries.pictures(flower.id))
  const [chosenId, setChosenId] = useState<string | null>(null)
  const [conflicts, setConflicts] = useState(0)
  const readAgain = () => client.invalidateQueries({ queryKey: queries.pictures(flower.id).queryKey })
  const add = useMutation({
    mutationFn: async ({ file, name }: { file: Blob; name: string }) => {
      const id = newId()
      await upload(`/api/flowers/${flower.id}/pictures/${id}?name=${encodeURIComponent(name)}`, file)
      return id
    },
    onSuccess: async (id) => {
      await readAgain()
      setChosenId(id)
    },
  })
  const shoot = useMutation({
    mutationFn: (startingPointId: string) =>
      answer(
        api.POST('/api/bench/light-box/flowers', {
          body: { startingPointId, seed: 1 + Math.floor(Math.random() * 1e6) },
        }),
      ),
    onSuccess: (shot) => add.mutate({ file: fileOf(shot), name: t('bench.shotName') }),
  })
  const remove = useMutation({
    mutationFn: (id: string) => answer(api.DELETE('/api/pictures/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      setChosenId(null)
      await readAgain()
    },
  })
  const take = (file: File) => add.mutate({ file, name: file.name })
  if (!pictures.data) return <NotThere of={[pictures]} />
  const chosen = pictures.data.find((one) => one.id === chosenId) ?? pictures.data.at(-1)
  return (
    <DropZone takesPaste onFile={take}>
      <div className="flex flex-wrap items-end gap-3 px-4 pb-3 lg:px-6">
        <FileButton label={t('pictures.file')} accept={pictureTypes} disabled={add.isPending} onFile={take}>
          {t('pictures.choose')}
        </FileButton>
        <FileButton
          label={t('pictures.cameraFile')}
          accept={pictureTypes}
          capture
          disabled={add.isPending}
          onFile={take}
        >
          {t('pictures.camera')}
        </FileButton>
        <LightBox isBusy={shoot.isPending || add.isPending} onShoot={(id) => shoot.mutate(id)} />
        {(add.isPending || shoot.isPending) && <p role="status">{t('pictures.taking')}</p>}
      </div>
      <div className="px-4 lg:px-6">
        <Failure error={add.error ?? shoot.error ?? remove.error} nameOf={(id) => id} />
      </div>
      {conflicts > 0 && (
        <p role="alert" className="px-4 pb-3 text-sm lg:px-6">
          {t('pictures.changed')}
        </p>
      )}
      {pictures.data.length > 1 && (
        <ul className="flex flex-wrap gap-2 px-4 pb-3 lg:px-6" aria-label={t('pictures.all')}>
          {pictures.data.map((one, i) => (
            <li key={one.id}>
              <button
                aria-pressed={one.id === chosen?.id}
                aria-label={t('pictures.number', { number: i + 1, name: one.name })}
                className={`cursor-pointer border-2 ${one.id === chosen?.id ? 'border-base-content' : 'border-transparent'}`}
                onClick={() => setChosenId(one.id)}
              >
                <img src={`/api/pictures/${one.id}/image`} alt="" className="h-14" />
              </button>
            </li>
          ))}
        </ul>
      )}
      {chosen ? (
        <OpenPicture
          key={`${chosen.id} ${conflicts}`}
          picture={chosen}
          flower={flower}
          piece={piece}
          zone={zone}
          onZone={onZone}
          onChange={onChange}
          onSaved={() => void readAgain()}
          onConflict={() => void readAgain().then(() => setConflicts((n) => n + 1))}
          onRemove={() => remove.mutate(chosen.id)}
        />
      ) : (
        <FirstTargets flower={flower} piece={piece} zone={zone} onChange={onChange} />
      )}
    </DropZone>
  )
}

/** The simulated light box: photographs a flower of the library as if it had grown. */
function LightBox({ isBusy, onShoot }: { isBusy: boolean; onShoot: (startingPointId: string) => void }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.startingPoints())
  const natural = (data ?? []).filter((one) => one.kind === 'natural')
  const [id, setId] = useState('')
  const chosen = id || natural[0]?.id
  if (!chosen) return null
  return (
    <>
      <SelectField
        label={t('bench.flower')}
        value={chosen}
        options={natural.map((one) => ({ value: one.id, label: `${one.name} ${one.part}, ${one.variant}` }))}
        onChoose={setId}
      />
      <button className="btn btn-sm" disabled={isBusy} onClick={() => onShoot(chosen)}>
        {t('bench.lightBox')}
      </button>
    </>
  )
}
