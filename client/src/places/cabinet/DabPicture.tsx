import { useMutation } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { ColourView } from '../../api/api'
import { answer, api } from '../../api/api'
import { Editor } from '../../shared/Editor'
import { Failure } from '../../shared/Message'
import { PatchPicture } from '../../shared/PatchPicture'
import { takenBy } from '../../shared/pictureFiles'
import type { DabToRead } from './dabToRead'
import { StandInJar } from './StandInJar'

/** Reads a dab from a picture with a white card beside it. */
export function DabPicture({ dab, onRead }: { dab: DabToRead; onRead: (colour: ColourView) => void }) {
  const { number, materialId, materials, baseId, amount, onClose } = dab
  const { t } = useTranslation()
  const shoot = useMutation({
    mutationFn: (body: { materialId: string; amount: number; baseId: string; take: number }) =>
      answer(api.POST('/api/bench/light-box/dabs', { body })),
  })
  return (
    <Editor title={t('dabs.pictureTitle', { number })} onClose={onClose}>
      <PatchPicture
        title={t('dabs.pictureFile')}
        patchLabel={t('dabs.dab', { number })}
        onRead={onRead}
        standIn={(take, isBusy) => (
          <StandInJar
            device="lightBox"
            materialId={materialId}
            materials={materials}
            isBusy={shoot.isPending || isBusy}
            onUse={(jar, takes) =>
              shoot.mutate(
                { materialId: jar, amount, baseId, take: takes + 10 * number },
                { onSuccess: (shot) => take(takenBy(shot)) },
              )
            }
          />
        )}
      />
      <Failure error={shoot.error} nameOf={(id) => id} />
    </Editor>
  )
}
