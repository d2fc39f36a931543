import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answer, api } from '../../api/api'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { DropZone } from '../../shared/DropZone'
import { Failure, NotThere } from '../../shared/Message'
import { moment } from '../../shared/numbers'
import { PictureButtons } from '../../shared/PictureButtons'
import { fileOf, imageOf } from '../../shared/pictureFiles'
import { PictureThumbs } from '../../shared/PictureThumbs'
import { PracticeDevice } from '../../shared/PracticeDevice'
import { useTranslation } from '../../shared/translation'
import { useKeptPictures } from '../../shared/useKeptPictures'

/** Photographs of the finished flower, to lie beside its drawing: the newest large, and how more come in. */
export function MadePictures({ flowerId, name }: { flowerId: string; name: string }) {
  const { t } = useTranslation()
  const [chosenId, setChosenId] = useState<string | null>(null)
  const { pictures, add, remove, take } = useKeptPictures(flowerId, 'made', setChosenId)
  const shoot = useMutation({
    // Each shot has noise of its own.
    mutationFn: (take: number) => answer(api.POST('/api/bench/light-box/made-flowers', { body: { flowerId, take } })),
    onSuccess: (shot) => add.mutate({ file: fileOf(shot), name: t('bench.shotName') }),
  })
  if (!pictures.data) return <NotThere of={[pictures]} />
  const all = pictures.data
  const chosen = all.find((one) => one.id === chosenId) ?? all.at(-1)
  const day = chosen && moment(chosen.addedAt, { dateStyle: 'long' })
  const isBusy = add.isPending || shoot.isPending
  return (
    <section aria-label={t('made.title')} className="min-w-0 grow basis-96">
      <DropZone takesPaste onFile={take}>
        <h2 className="font-semibold">{t('made.title')}</h2>
        {chosen ? (
          <figure className="mt-2">
            <img
              src={imageOf(chosen)}
              alt={t('made.alt', { flower: name, day })}
              className="block max-h-[38rem] w-auto max-w-full"
            />
            <figcaption className="mt-1 flex flex-wrap items-baseline gap-x-4 text-sm">
              <span>{t('made.on', { day })}</span>
              <ConfirmButton label={t('pictures.remove')} onYes={() => remove.mutate(chosen.id)} />
            </figcaption>
          </figure>
        ) : (
          <p className="mt-2 max-w-prose text-sm">{t('made.none')}</p>
        )}
        {all.length > 1 && (
          <div className="mt-3">
            <PictureThumbs
              label={t('made.all')}
              pictures={all}
              chosenId={chosen?.id}
              onChoose={(one) => setChosenId(one.id)}
            />
          </div>
        )}
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <PictureButtons label={t('made.file')} isBusy={isBusy} onFile={take} />
          <PracticeDevice device="lightBox" isBusy={isBusy} onUse={(take) => shoot.mutate(all.length + take)} />
          {isBusy && <p role="status">{t('pictures.taking')}</p>}
        </div>
        <Failure error={pictures.error ?? add.error ?? shoot.error ?? remove.error} nameOf={(id) => id} />
      </DropZone>
    </section>
  )
}
