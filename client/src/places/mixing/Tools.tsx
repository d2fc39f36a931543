import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Look, Material, MixingTable, PasteRecipe } from '../../api/api'
import { Choice } from '../../shared/Choice'
import { useArrival } from '../../shared/useArrival'
import type { NameOf } from '../../shared/words'
import { LadderTool } from './LadderTool'
import { LetDownTool } from './LetDownTool'
import { RescueTool } from './RescueTool'
import { SpectrumTool } from './SpectrumTool'
import type { Table } from './tableState'

const tools = ['rescue', 'letDown', 'ladder', 'spectrum'] as const

/** What else lies at hand: rescue, let-down, dose ladder, spectrum. */
export function Tools({
  isSlip,
  shelf,
  table,
  look,
  materials,
  nameOf,
  onRecipe,
}: {
  isSlip: boolean
  shelf: MixingTable
  table: Table
  look: Look | undefined
  materials: Material[]
  nameOf: NameOf
  onRecipe: (recipe: PasteRecipe) => void
}) {
  const { t } = useTranslation()
  // Without a target there is nothing to rescue and nothing to compare a spectrum with.
  const usable = table.target ? tools : (['letDown', 'ladder'] as const)
  const [tool, setTool] = useState<(typeof tools)[number]>(usable[0])
  const place = useArrival<HTMLElement>(isSlip || undefined)
  return (
    <section
      ref={place}
      tabIndex={-1}
      aria-label={t('mixing.tools.title')}
      className="border-base-300 border-t px-4 py-4 outline-none lg:px-6"
    >
      <Choice
        legend={t('mixing.tools.title')}
        options={usable.map((value) => ({ value, label: t(`mixing.tools.${value}`) }))}
        chosen={tool}
        onChoose={setTool}
      />
      <div className="mt-4">
        {tool === 'rescue' && (
          <RescueTool
            key={`${table.batchId} ${table.targetName}`}
            table={table}
            batch={shelf.batches.find((one) => one.id === table.batchId)}
            materials={materials}
            nameOf={nameOf}
            currency={shelf.currency}
            onRecipe={onRecipe}
          />
        )}
        {tool === 'letDown' && <LetDownTool table={table} materials={materials} nameOf={nameOf} />}
        {tool === 'ladder' && <LadderTool table={table} materials={materials} nameOf={nameOf} />}
        {tool === 'spectrum' && look && <SpectrumTool look={look} />}
      </div>
    </section>
  )
}
