import { useTranslation } from '../../shared/translation'
import type { Sides } from '../../api/api'
import { Choice } from '../../shared/Choice'

/** Face, back, or both. */
export function SidesChoice({ sides, onChange }: { sides: Sides; onChange: (sides: Sides) => void }) {
  const { t } = useTranslation()
  return (
    <Choice
      legend={t('coat.side')}
      options={(['face', 'back', 'both'] as const).map((value) => ({ value, label: t(`sides.${value}`) }))}
      chosen={sides}
      onChoose={onChange}
    />
  )
}
