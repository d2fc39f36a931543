import { useQuery } from '@tanstack/react-query'
import type { Coat } from '../../api/api'
import { queries } from '../../api/queries'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'

const loose = 'loose'
const whole = 'whole'

/** Whether a coat goes on the loose piece, or on the flower as it stands after one of its stages. */
export function WhenOn({ coat, pieceId, onChange }: { coat: Coat; pieceId: string; onChange: (coat: Coat) => void }) {
  const { t } = useTranslation()
  const standing = useQuery(queries.standing(pieceId)).data
  if (!standing || standing.stages.length === 0) return null
  const stages = standing.stages.map((stage) => ({
    value: stage.id,
    label: t('coat.afterStage', { stage: stage.name || t(`assembly.kind.${stage.kind}`) }),
  }))
  const chosen = stages.find((stage) => stage.value === coat.afterStageId)?.value
  return (
    <div className="mb-2">
      <SelectField
        label={t('coat.when')}
        value={coat.afterAssembly ? (chosen ?? whole) : loose}
        options={[
          { value: loose, label: t('coat.onLoose') },
          // After the last stage is when all of it stands.
          ...stages.slice(0, -1),
          { value: whole, label: t('coat.onWhole') },
        ]}
        onChoose={(when) =>
          onChange({
            ...coat,
            afterAssembly: when !== loose,
            afterStageId: when === loose || when === whole ? null : when,
          })
        }
      />
      {(coat.afterAssembly ?? false) && <p className="quiet mt-1 max-w-prose text-xs">{t('coat.standingHelp')}</p>}
      {standing.dusting !== 'asPlanned' && (
        <p className="mt-1 max-w-prose text-xs">{t(`coat.dusting.${standing.dusting}`)}</p>
      )}
    </div>
  )
}
