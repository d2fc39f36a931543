import { useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { ColourView, Material, PasteRecipe } from '../../api/api'
import { queries } from '../../api/queries'
import { AddMaterial } from '../../shared/AddMaterial'
import { offered } from '../../shared/cabinet'
import { DoseRow } from '../../shared/DoseRow'
import type { ProblemAt } from '../../shared/Editor'
import { Problem } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { inSentence } from '../../shared/inSentence'

/** One paste of a run or a marble: taken from a piece, a batch or the shelf, and its doses by hand. */
export function PasteChoice({
  title,
  path,
  recipe,
  colour,
  materials,
  nameOf,
  problemAt,
  onRecipe,
}: {
  title: string
  /** Of the recipe within the plan. */
  path: string
  recipe: PasteRecipe
  colour: ColourView | undefined
  materials: Material[]
  nameOf: NameOf
  problemAt: ProblemAt
  onRecipe: (recipe: PasteRecipe) => void
}) {
  const { t } = useTranslation()
  const shelf = useQuery(queries.mixingTable())
  const unused = offered(materials, 'colourant').filter((m) => !recipe.doses.some((d) => d.colourantId === m.id))
  const setDoses = (doses: PasteRecipe['doses']) => onRecipe({ ...recipe, doses })
  const problem = problemAt(path) ?? problemAt(`${path}.baseId`) ?? problemAt(`${path}.doses`)
  const sources = [
    ...offered(materials, 'paste').map((m) => ({
      key: m.id,
      label: t('pastePlan.plain', { name: m.name }),
      recipe: { baseId: m.id, doses: [] } as PasteRecipe,
    })),
    ...(shelf.data?.pieces ?? []).map((piece) => ({
      key: piece.id,
      label: `${piece.flowerName}, ${inSentence(piece.name)}`,
      recipe: piece.recipe,
    })),
    ...(shelf.data?.batches ?? []).map((batch) => ({ key: batch.id, label: batch.name, recipe: batch.recipe })),
  ]
  return (
    <fieldset>
      <legend className="sr-only">{title}</legend>
      <div className="flex items-center gap-3">
        {colour && <Swatch colour={colour} label={title} className="border-surround h-9 w-12 border-4" />}
        <div className="min-w-0 grow">
          <p aria-hidden className="text-sm font-semibold">
            {title}
          </p>
          <p className="quiet truncate text-sm" title={nameOf(recipe.baseId)}>
            {nameOf(recipe.baseId)}
          </p>
        </div>
        <select
          className="select select-sm w-32"
          aria-label={t('pastePlan.take', { paste: title })}
          value=""
          onChange={(event) => {
            const source = sources.find((one) => one.key === event.target.value)
            if (source) onRecipe(source.recipe)
          }}
        >
          <option value="" disabled>
            {t('pastePlan.takeFrom')}
          </option>
          {sources.map((source) => (
            <option key={source.key} value={source.key}>
              {source.label}
            </option>
          ))}
        </select>
      </div>
      <ul className="mt-1 space-y-1">
        {recipe.doses.map((one, i) => (
          <DoseRow
            key={one.colourantId}
            name={nameOf(one.colourantId)}
            gPer100g={one.gPer100g}
            problem={problemAt(`${path}.doses[${i}].gPer100g`) ?? problemAt(`${path}.doses[${i}].colourantId`)}
            onDose={(gPer100g) => setDoses(recipe.doses.map((old, j) => (i === j ? { ...old, gPer100g } : old)))}
            onRemove={() => setDoses(recipe.doses.filter((_, j) => i !== j))}
          />
        ))}
      </ul>
      {problem && <Problem>{problem}</Problem>}
      <AddMaterial
        label={t('pastePlan.addTo', { paste: title })}
        materials={unused}
        onAdd={(colourantId) => setDoses([...recipe.doses, { colourantId, gPer100g: 0.1 }])}
      />
    </fieldset>
  )
}
