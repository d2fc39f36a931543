import { useTranslation } from '../../shared/translation'
import type { PollenCoat } from '../../api/api'
import { isDust, offered } from '../../shared/cabinet'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import type { CoatFieldsProps } from './coatFields'
import { mixAmounts } from './coatWords'
import { WhereFields } from './WhereFields'
import { useBeginnings } from './useBeginnings'

/** Pollen: which crumbs, on which glue, how thick, and where. */
export function PollenFields({ coat, view, materials, nameOf, problemAt, onChange }: CoatFieldsProps<PollenCoat>) {
  const { t } = useTranslation()
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
      <SelectField
        label={t('coat.crumb')}
        value={coat.crumbId}
        options={offered(materials, 'crumb', coat.crumbId).map((m) => ({ value: m.id, label: m.name }))}
        onChoose={(crumbId) => onChange({ ...coat, crumbId })}
      />
      <SelectField
        label={t('coat.glue')}
        value={coat.adhesiveId}
        options={offered(materials, 'adhesive', coat.adhesiveId).map((m) => ({ value: m.id, label: m.name }))}
        onChoose={(adhesiveId) => onChange({ ...coat, adhesiveId })}
      />
      <CrumbTint coat={coat} materials={materials} problemAt={problemAt} onChange={onChange} />
      <NumberField
        label={t('coat.coverage')}
        unit="%"
        value={100 * coat.coverage}
        problem={problemAt('coverage')}
        onChange={(percent) => onChange({ ...coat, coverage: percent / 100 })}
      />
      <WhereFields
        place={coat.place}
        sides={coat.sides}
        problemAt={problemAt}
        onChange={(part) => onChange({ ...coat, ...part })}
      />
      {view && <p className="quiet text-xs">{t('mix.amounts', { amounts: mixAmounts(t, view, nameOf) })}</p>}
    </div>
  )
}

/** Dust that the crumbs are shaken with first, or none. */
function CrumbTint({
  coat,
  materials,
  problemAt,
  onChange,
}: Pick<CoatFieldsProps<PollenCoat>, 'coat' | 'materials' | 'problemAt' | 'onChange'>) {
  const { t } = useTranslation()
  const first = useBeginnings().crumbTint
  const { tint } = coat
  const dusts = materials.filter((one) => isDust(one.kind) && (!one.isRetired || one.id === tint?.dustId))
  return (
    <>
      <SelectField
        label={t('coat.crumbTint')}
        value={tint?.dustId ?? 'none'}
        options={[
          { value: 'none', label: t('coat.crumbPlain') },
          ...dusts.map((one) => ({ value: one.id, label: one.name })),
        ]}
        onChoose={(dustId) =>
          onChange({ ...coat, tint: dustId === 'none' || !first ? null : { ...first, ...tint, dustId } })
        }
      />
      {tint && (
        <NumberField
          label={t('coat.crumbsToOne')}
          whole
          value={tint.crumbsToOne}
          problem={problemAt('tint.crumbsToOne')}
          onChange={(crumbsToOne) => onChange({ ...coat, tint: { ...tint, crumbsToOne } })}
        />
      )}
    </>
  )
}
