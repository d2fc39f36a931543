import { useMutation, useQuery } from '@tanstack/react-query'
import type { ColourView, KneadedPaste, Picture } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { PatchPicture } from '../../shared/PatchPicture'
import { takenBy } from '../../shared/pictureFiles'
import { PracticeDevice } from '../../shared/PracticeDevice'
import { PictureThumbs } from '../../shared/PictureThumbs'
import { useTranslation } from '../../shared/translation'

/** Reads what came out: from a picture beside a white card, or, for those who have nothing at hand, from the simulated bench. */
export function LogReading({
  by,
  kneaded,
  flowerId,
  isPaste,
  patchLabel,
  onRead,
}: {
  by: 'camera' | 'reader'
  /** What lies before the simulated bench. */
  kneaded: KneadedPaste
  flowerId: string
  /** Of the paste the simulated bench knows how it really came out. */
  isPaste: boolean
  patchLabel: string
  onRead: (colour: ColourView) => void
}) {
  const { t } = useTranslation()
  const shoot = useMutation({
    mutationFn: (take: number) => answer(api.POST('/api/bench/light-box/pastes', { body: { ...kneaded, take } })),
  })
  const read = useMutation({
    mutationFn: (take: number) => answer(api.POST('/api/bench/colour-reader/pastes', { body: { ...kneaded, take } })),
    onSuccess: onRead,
  })
  return (
    <div className="basis-full">
      {by === 'camera' ? (
        <PatchPicture
          title={t('log.picture')}
          patchLabel={patchLabel}
          onRead={onRead}
          standIn={(taken, isBusy) =>
            isPaste ? (
              <PracticeDevice
                device="lightBox"
                isBusy={isBusy || shoot.isPending}
                onUse={(take) => shoot.mutate(take, { onSuccess: (shot) => taken(takenBy(shot)) })}
              />
            ) : (
              <FromKept flowerId={flowerId} onTaken={(kept) => taken({ kept, card: null, patch: null })} />
            )
          }
        />
      ) : (
        isPaste && (
          <div className="flex flex-wrap items-end gap-3">
            <PracticeDevice device="reader" isBusy={read.isPending} onUse={(take) => read.mutate(take)} />
          </div>
        )
      )}
      <Failure error={shoot.error ?? read.error} nameOf={(id) => id} />
    </div>
  )
}

/** A photograph of the finished flower that lies beside its drawing tells the colour of a zone too. */
function FromKept({ flowerId, onTaken }: { flowerId: string; onTaken: (picture: Picture) => void }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.pictures(flowerId, 'made'))
  if (!data?.length) return null
  return (
    <div>
      <p className="text-sm">{t('made.from')}</p>
      <PictureThumbs label={t('made.all')} pictures={data} onChoose={onTaken} />
    </div>
  )
}
