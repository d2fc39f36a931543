import { X } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { ColourView, KeptBatch, Material, PasteRecipe, Rescue } from '../../api/api'
import { stillBought } from '../../shared/cabinet'
import { AddMaterial } from '../../shared/AddMaterial'
import { ColourEntry } from '../../shared/ColourEntry'
import { NumberField } from '../../shared/NumberField'
import type { NameOf } from '../../shared/words'
import type { Table } from './tableState'
import { useLongWork } from './useLongWork'
import { WorkState } from './WorkState'
import { RescueAnswer } from './RescueAnswer'
import { useProblems } from '../../shared/useProblems'
import { CheckField } from '../../shared/CheckField'

/** A colour that went in besides the recipe, counted in its first unit. */
interface Slip {
  colourantId: string
  count: number
}

/** A batch that came out wrong: what it is now, what to add, how much of it to keep, or when to begin again. */
export function RescueTool({
  table,
  batch,
  materials,
  nameOf,
  currency,
  onRecipe,
}: {
  table: Table
  /** The batch that lies on the table, if it was kept. */
  batch: KeptBatch | undefined
  materials: Material[]
  nameOf: NameOf
  currency: string
  onRecipe: (recipe: PasteRecipe) => void
}) {
  const { t } = useTranslation()
  const work = useLongWork<Rescue>('/api/recipes/rescue')
  const [haveG, setHaveG] = useState(table.pasteG)
  const [slips, setSlips] = useState<Slip[]>([])
  const [measured, setMeasured] = useState<ColourView | null>(batch?.measured ?? null)
  const [isMeasured, setIsMeasured] = useState(measured !== null)
  const question = {
    recipe: table.mixes[0]!,
    alsoIn: slips.flatMap(({ colourantId, count }) => {
      const unit = unitOf(materials, colourantId)?.kind
      return unit ? [{ colourantId, unit, count }] : []
    }),
    haveG,
    measured: isMeasured ? (measured?.lab ?? null) : null,
    target: table.target,
    needG: table.pasteG,
    filters: { ...table.filters, mustUse: [] },
  }
  // An answer to what is no longer the question is put away.
  const [asked, setAsked] = useState('')
  const problemAt = useProblems([work.error], nameOf)
  const isAnswered = asked === JSON.stringify(question)
  return (
    <div>
      <p className="quiet mb-3 max-w-prose text-sm">{t('mixing.rescue.help')}</p>
      <div className="flex flex-wrap items-start gap-x-10 gap-y-3 text-sm">
        <NumberField
          label={t('mixing.rescue.have')}
          unit="g"
          value={haveG}
          problem={problemAt('haveG')}
          onChange={setHaveG}
        />
        <fieldset>
          <legend className="quiet text-xs">{t('mixing.rescue.slips')}</legend>
          <ul className="space-y-1">
            {slips.map((slip, i) => {
              const kind = unitOf(materials, slip.colourantId)?.kind
              return (
                <li key={slip.colourantId} className="flex items-center gap-2">
                  <span className="min-w-24">{nameOf(slip.colourantId)}</span>
                  <NumberField
                    hideLabel
                    label={t('mixing.rescue.slip', { name: nameOf(slip.colourantId) })}
                    unit={kind ? t(`dose.many.${kind}`) : 'g'}
                    value={slip.count}
                    problem={problemAt(`alsoIn[${i}].count`)}
                    onChange={(count) => setSlips(slips.map((old, j) => (i === j ? { ...old, count } : old)))}
                  />
                  <button
                    className="btn btn-ghost btn-sm btn-square"
                    aria-label={t('paste.remove', { name: nameOf(slip.colourantId) })}
                    onClick={() => setSlips(slips.filter((_, j) => i !== j))}
                  >
                    <X size={16} aria-hidden />
                  </button>
                </li>
              )
            })}
          </ul>
          <AddMaterial
            label={t('mixing.rescue.alsoIn')}
            materials={stillBought(materials).filter(
              (m) => m.units.length > 0 && !slips.some((slip) => slip.colourantId === m.id),
            )}
            onAdd={(colourantId) => setSlips([...slips, { colourantId, count: 3 }])}
          />
        </fieldset>
        <CheckField label={t('mixing.rescue.measuredToo')} checked={isMeasured} onChange={setIsMeasured} />
        {isMeasured && <ColourEntry label={t('mixing.rescue.measured')} colour={measured} onChange={setMeasured} />}
        <button
          className="btn btn-primary btn-sm"
          disabled={work.running}
          onClick={() => {
            setAsked(JSON.stringify(question))
            work.start(question)
          }}
        >
          {work.running ? t('finder.searching') : t('mixing.rescue.find')}
        </button>
        <WorkState work={work} nameOf={nameOf} />
      </div>
      {work.answer && isAnswered && (
        <RescueAnswer
          rescue={work.answer}
          nameOf={nameOf}
          currency={currency}
          onRecipe={onRecipe}
          needG={table.pasteG}
        />
      )}
    </div>
  )
}

const unitOf = (materials: Material[], id: string) => materials.find((m) => m.id === id)?.units[0]
