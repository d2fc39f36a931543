import { useTranslation } from '../../shared/translation'
import type { Material, PasteRecipe } from '../../api/api'
import { AddMaterial } from '../../shared/AddMaterial'
import { Choice } from '../../shared/Choice'
import { Problem } from '../../shared/Message'
import type { NameOf } from '../../shared/words'
import { problemWords, troubleWords } from '../../shared/words'
import type { Seen } from './useLook'
import { DoseLine } from './DoseLine'
import { Told } from './Told'
import { offered } from '../../shared/cabinet'

/** A mix on the table: its paste, its doses to drag, and everything that follows from them. */
export function Mix({
  place,
  alone,
  recipe,
  pasteG,
  seen,
  materials,
  nameOf,
  currency,
  onRecipe,
  onBeside,
  onPutAway,
}: {
  place: number
  alone: boolean
  recipe: PasteRecipe
  pasteG: number
  seen: Seen
  materials: Material[]
  nameOf: NameOf
  currency: string
  onRecipe: (recipe: PasteRecipe) => void
  onBeside: () => void
  onPutAway: () => void
}) {
  const { t } = useTranslation()
  const name = t('mixing.mix.name', { letter: 'AB'[place] })
  const { look } = seen
  const setDoses = (doses: PasteRecipe['doses']) => onRecipe({ ...recipe, doses })
  const unused = offered(materials, 'colourant').filter((m) => !recipe.doses.some((d) => d.colourantId === m.id))
  const problemAt = (path: string) => {
    const problem = seen.problems.find((one) => one.path === path)
    return problem && problemWords(t, problem, nameOf)
  }
  const baseProblem = problemAt('recipe.baseId')
  return (
    <section aria-label={name} className="px-4 py-4 lg:px-6">
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="font-semibold">{name}</h2>
        {alone ? (
          <button className="btn btn-ghost btn-sm" onClick={onBeside}>
            {t('mixing.mix.beside')}
          </button>
        ) : (
          <button className="btn btn-ghost btn-sm" onClick={onPutAway}>
            {t('mixing.mix.putAway', { name })}
          </button>
        )}
        {seen.error && <Problem>{troubleWords(t, seen.error)}</Problem>}
      </div>
      <Choice
        legend={t('paste.base')}
        options={offered(materials, 'paste', recipe.baseId).map((m) => ({ value: m.id, label: m.name }))}
        chosen={recipe.baseId}
        onChoose={(baseId) => onRecipe({ ...recipe, baseId })}
      />
      {baseProblem && <Problem>{baseProblem}</Problem>}
      <div className={`mt-3 grid gap-x-8 gap-y-4 ${alone ? 'xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]' : ''}`}>
        <div>
          {recipe.doses.length === 0 && <p className="text-sm">{t('mixing.mix.plain')}</p>}
          <ul className="divide-base-300 divide-y">
            {recipe.doses.map((one, i) => (
              <DoseLine
                key={one.colourantId}
                material={materials.find((m) => m.id === one.colourantId)}
                name={nameOf(one.colourantId)}
                gPer100g={one.gPer100g}
                look={look}
                measured={look?.batch.colours.find((colour) => colour.colourantId === one.colourantId)}
                problem={problemAt(`recipe.doses[${i}].gPer100g`) ?? problemAt(`recipe.doses[${i}].colourantId`)}
                onDose={(gPer100g) => setDoses(recipe.doses.map((old, j) => (i === j ? { ...old, gPer100g } : old)))}
                onRemove={() => setDoses(recipe.doses.filter((_, j) => i !== j))}
              />
            ))}
          </ul>
          <AddMaterial
            label={t('paste.add')}
            materials={unused}
            onAdd={(colourantId) => setDoses([...recipe.doses, { colourantId, gPer100g: 0.05 }])}
          />
        </div>
        {look && <Told look={look} pasteG={pasteG} nameOf={nameOf} currency={currency} />}
      </div>
    </section>
  )
}
