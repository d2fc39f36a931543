import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { ColourView, Material, MaterialRecord } from '../../api/api'
import { queries } from '../../api/queries'
import { hasColour, isDabbed } from '../../shared/cabinet'
import { ColourEntry } from '../../shared/ColourEntry'
import { Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { Swatch } from '../../shared/Swatch'
import { deltaE } from '../../shared/words'
import { Characterise } from './Characterise'
import { Group } from './MaterialFields'

/** Where the colour of a material comes from: a list, a label, or dabs of this very jar. */
export function ColourOfIt({
  sheet,
  materials,
  problem,
  onChange,
}: {
  sheet: MaterialRecord
  materials: Material[]
  problem?: string
  onChange: (part: Partial<MaterialRecord>) => void
}) {
  const { t } = useTranslation()
  const [label, setLabel] = useState<ColourView | null>(null)
  const [isDabbing, setDabbing] = useState(false)
  if (!hasColour(sheet.kind)) return null
  const chip = materials.find((material) => material.id === sheet.id)?.chip
  const hasFigures = sheet.absorption != null || sheet.reflectance != null
  const origin = sheet.labelColour ? 'label' : hasFigures ? (sheet.origin ?? 'nominal') : null
  return (
    <Group title={t('material.group.colour')}>
      <div className="surround flex items-center gap-4 p-4 text-sm">
        {chip && !sheet.labelColour && <Swatch colour={chip} label={sheet.name} className="h-16 w-24" />}
        {sheet.labelColour && label && <Swatch colour={label} label={t('material.label')} className="h-16 w-24" />}
        <p className="max-w-60">
          {t(origin ? `material.origin.${origin}` : 'material.origin.none')}
          {origin === 'dabs' && sheet.worstDeltaE != null && (
            <span className="block">{t('material.fit', { deltaE: deltaE(sheet.worstDeltaE) })}</span>
          )}
        </p>
      </div>
      <div className="max-w-md">
        <ColourEntry
          label={t('material.label')}
          colour={label}
          onChange={(colour) => {
            setLabel(colour)
            onChange({ labelColour: colour.lab })
          }}
        />
        {problem && <Problem>{problem}</Problem>}
        {sheet.kind === 'colourant' && (
          <NumberField
            label={t('material.labelDose')}
            value={sheet.labelGPer100g ?? null}
            unit={t('material.per100g')}
            onChange={(labelGPer100g) => onChange({ labelGPer100g })}
            onClear={() => onChange({ labelGPer100g: null })}
            className="mt-2"
          />
        )}
        <p className="quiet mt-1 text-xs">{t('material.labelHelp')}</p>
      </div>
      {isDabbed(sheet.kind) && !isDabbing && (
        <div className="w-full">
          <button type="button" className="btn btn-sm" onClick={() => setDabbing(true)}>
            {t('dabs.begin')}
          </button>
          <p className="quiet mt-1 max-w-prose text-xs">{t('dabs.beginHelp')}</p>
        </div>
      )}
      {isDabbed(sheet.kind) && isDabbing && (
        <Characterise
          sheet={sheet}
          materials={materials}
          onLearned={(learned) => {
            setLabel(null)
            onChange({ ...learned, labelColour: null, origin: 'dabs' })
            setDabbing(false)
          }}
          onClose={() => setDabbing(false)}
        />
      )}
      {isDabbed(sheet.kind) && (sheet.dabs?.length ?? 0) > 0 && sheet.id && <KeptDabs id={sheet.id} />}
    </Group>
  )
}

/** The dabs that a colour was learned from, as they were read. */
function KeptDabs({ id }: { id: string }) {
  const { t } = useTranslation()
  const { data } = useQuery(queries.material(id))
  if (!data || data.dabs.length === 0) return null
  return (
    <div className="w-full">
      <h3 className="text-sm">{t('dabs.kept')}</h3>
      <ul className="surround flex flex-wrap gap-4 p-4 text-sm">
        {data.dabs.map((dab) => (
          <li key={dab.amount}>
            <Swatch colour={dab.read} label={String(dab.amount)} className="h-12 w-20" />
            <span className="block">
              {t(`dabs.amount.${data.sheet.kind === 'colourant' ? 'paste' : 'dust'}`, { amount: dab.amount })}
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}
