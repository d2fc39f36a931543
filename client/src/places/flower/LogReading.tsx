import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ColourView, Picture } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { PatchPicture } from '../../shared/PatchPicture'
import { takenBy } from '../../shared/pictureFiles'
import { PictureThumbs } from '../../shared/PictureThumbs'
import { useTranslation } from '../../shared/translation'

/** Reads what came out: from a picture beside a white card, or, for those who have nothing at hand, from the simulated bench. */
export function LogReading({
  by,
  pieceId,
  flowerId,
  isPaste,
  patchLabel,
  onRead,
}: {
  by: 'camera' | 'reader'
  pieceId: string
  flowerId: string
  /** Of the paste the simulated bench knows how it really came out. */
  isPaste: boolean
  patchLabel: string
  onRead: (colour: ColourView) => void
}) {
  const { t } = useTranslation()
  // Each reading has noise of its own.
  const [take, setTake] = useState(1)
  const shoot = useMutation({
    mutationFn: () => answer(api.POST('/api/bench/light-box/pastes', { body: { pieceId, take } })),
  })
  const read = useMutation({
    mutationFn: () => answer(api.POST('/api/bench/colour-reader/pastes', { body: { pieceId, take } })),
    onSuccess: onRead,
  })
  const practise = (isBusy: boolean, use: () => void) => (
    <>
      <button
        type="button"
        className="btn btn-sm"
        disabled={isBusy}
        onClick={() => {
          setTake(take + 1)
          use()
        }}
      >
        {t(by === 'camera' ? 'bench.lightBox' : 'bench.reader')}
      </button>
      <p className="quiet max-w-sm text-xs">{t('bench.help')}</p>
    </>
  )
  return (
    <div className="basis-full">
      {by === 'camera' ? (
        <PatchPicture
          title={t('log.picture')}
          patchLabel={patchLabel}
          onRead={onRead}
          standIn={(taken, isBusy) =>
            isPaste ? (
              practise(isBusy || shoot.isPending, () =>
                shoot.mutate(undefined, { onSuccess: (shot) => taken(takenBy(shot)) }),
              )
            ) : (
              <FromKept flowerId={flowerId} onTaken={(file) => taken({ file, card: null, patch: null })} />
            )
          }
        />
      ) : (
        <div className="flex flex-wrap items-end gap-3">{isPaste && practise(read.isPending, () => read.mutate())}</div>
      )}
      <Failure error={shoot.error ?? read.error} nameOf={(id) => id} />
    </div>
  )
}

/** A photograph of the finished flower that lies beside its drawing tells the colour of a zone too. */
function FromKept({ flowerId, onTaken }: { flowerId: string; onTaken: (picture: Blob) => void }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.pictures(flowerId, 'made'))
  const take = useMutation({
    mutationFn: ({ id }: Picture) =>
      answer(api.GET('/api/pictures/{id}/image', { params: { path: { id } }, parseAs: 'blob' })),
    onSuccess: onTaken,
  })
  if (!data?.length) return null
  return (
    <div>
      <p className="text-sm">{t('made.from')}</p>
      <PictureThumbs label={t('made.all')} pictures={data} onChoose={(picture) => take.mutate(picture)} />
      <Failure error={take.error} nameOf={(id) => id} />
    </div>
  )
}
