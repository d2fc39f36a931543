import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { FlowerAnswer, PieceView, Zone } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { DropZone } from '../../shared/DropZone'
import { Failure, NotThere } from '../../shared/Message'
import { PictureButtons } from '../../shared/PictureButtons'
import { fileOf } from '../../shared/pictureFiles'
import { PictureThumbs } from '../../shared/PictureThumbs'
import { SelectField } from '../../shared/SelectField'
import { FirstTargets } from './FirstTargets'
import { OpenPicture } from './OpenPicture'
import { useKeptPictures } from '../../shared/useKeptPictures'
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
  const [chosenId, setChosenId] = useState<string | null>(null)
  const [conflicts, setConflicts] = useState(0)
  const { pictures, readAgain, add, remove, take } = useKeptPictures(flower.id, 'living', setChosenId)
  const shoot = useMutation({
    mutationFn: (startingPointId: string) =>
      answer(
        api.POST('/api/bench/light-box/flowers', {
          body: { startingPointId, seed: 1 + Math.floor(Math.random() * 1e6) },
        }),
      ),
    onSuccess: (shot) => add.mutate({ file: fileOf(shot), name: t('bench.shotName') }),
  })
  if (!pictures.data) return <NotThere of={[pictures]} />
  const chosen = pictures.data.find((one) => one.id === chosenId) ?? pictures.data.at(-1)
  return (
    <DropZone takesPaste onFile={take}>
      <div className="flex flex-wrap items-end gap-3 px-4 pb-3 lg:px-6">
        <PictureButtons label={t('pictures.file')} isBusy={add.isPending} onFile={take} />
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
        <div className="px-4 pb-3 lg:px-6">
          <PictureThumbs
            label={t('pictures.all')}
            pictures={pictures.data}
            chosenId={chosen?.id}
            onChoose={(one) => setChosenId(one.id)}
          />
        </div>
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
