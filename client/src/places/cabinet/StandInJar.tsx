import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Material } from '../../api/api'
import { isDabbed } from '../../shared/cabinet'
import { PracticeDevice } from '../../shared/PracticeDevice'
import { SelectField } from '../../shared/SelectField'

/** Lays a dab of one of the jars on the simulated bench: for those who have neither a light box nor a reader at hand. */
export function StandInJar({
  device,
  materialId,
  materials,
  isBusy,
  onUse,
}: {
  device: 'lightBox' | 'reader'
  materialId: string | null
  materials: Material[]
  isBusy: boolean
  /** @param take Counts, so that each reading has noise of its own. */
  onUse: (jarId: string, take: number) => void
}) {
  const { t } = useTranslation()
  const jars = materials.filter((one) => isDabbed(one.kind))
  const [jar, setJar] = useState(materialId ?? jars[0]?.id ?? '')
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label={t('bench.jar')}
        value={jar}
        options={jars.map((one) => ({ value: one.id, label: one.name }))}
        onChoose={setJar}
      />
      <PracticeDevice device={device} isBusy={isBusy} onUse={(take) => onUse(jar, take)} />
    </div>
  )
}
