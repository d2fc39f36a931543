import { useMutation } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { ColourView } from '../../api/api'
import { answer, api } from '../../api/api'
import { Failure } from '../../shared/Message'
import { Editor } from '../../shared/Editor'
import type { DabToRead } from './dabToRead'
import { StandInJar } from './StandInJar'

/** Reads a dab with the colour reader. */
export function DabReader({
  dab,
  onRead,
}: {
  dab: DabToRead
  onRead: (colour: ColourView, reflectance: number[]) => void
}) {
  const { number, materialId, materials, baseId, amount, onClose } = dab
  const { t } = useTranslation()
  const read = useMutation({
    mutationFn: (body: { materialId: string; amount: number; baseId: string; take: number }) =>
      answer(api.POST('/api/bench/colour-reader/dabs', { body })),
    onSuccess: ({ colour, reflectance }) => onRead(colour, reflectance),
  })
  return (
    <Editor title={t('dabs.readerTitle', { number })} onClose={onClose}>
      <StandInJar
        device="reader"
        materialId={materialId}
        materials={materials}
        isBusy={read.isPending}
        onUse={(jar, take) => read.mutate({ materialId: jar, amount, baseId, take: take + 10 * number })}
      />
      <Failure error={read.error} nameOf={(id) => id} />
    </Editor>
  )
}
