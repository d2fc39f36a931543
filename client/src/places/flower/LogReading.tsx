import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import type { ColourView } from '../../api/api'
import { answer, api } from '../../api/api'
import { Failure } from '../../shared/Message'
import { PatchPicture } from '../../shared/PatchPicture'
import { takenBy } from '../../shared/pictureFiles'
import { useTranslation } from '../../shared/translation'

/** Reads what came out: from a picture beside a white card, or, for those who have nothing at hand, from the simulated bench. */
export function LogReading({
  by,
  pieceId,
  isPaste,
  patchLabel,
  onRead,
}: {
  by: 'camera' | 'reader'
  pieceId: string
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
  const practise = (isBusy: boolean, use: () => void) =>
    isPaste && (
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
            practise(isBusy || shoot.isPending, () =>
              shoot.mutate(undefined, { onSuccess: (shot) => taken(takenBy(shot)) }),
            )
          }
        />
      ) : (
        <div className="flex flex-wrap items-end gap-3">{practise(read.isPending, () => read.mutate())}</div>
      )}
      <Failure error={shoot.error ?? read.error} nameOf={(id) => id} />
    </div>
  )
}
