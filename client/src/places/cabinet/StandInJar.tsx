import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Material } from '../../api/api'
import { isDabbed } from '../../shared/cabinet'
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
  const [take, setTake] = useState(1)
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label={t('bench.jar')}
        value={jar}
        options={jars.map((one) => ({ value: one.id, label: one.name }))}
        onChoose={setJar}
      />
      <button
        type="button"
        className="btn btn-sm"
        disabled={isBusy}
        onClick={() => {
          setTake(take + 1)
          onUse(jar, take)
        }}
      >
        {t(`bench.${device}`)}
      </button>
      <p className="quiet max-w-sm text-xs">{t('bench.help')}</p>
    </div>
  )
}
