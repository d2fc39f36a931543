import { Minus, Plus, TriangleAlert, X } from 'lucide-react'
import { useTranslation } from 'react-i18next'
import type { DosedColour, Look, Material, PasteRecipe } from '../../api/api'
import { AddMaterial } from '../../shared/AddMaterial'
import { Choice } from '../../shared/Choice'
import { LetDownSteps } from '../../shared/LetDownSteps'
import { Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, dose, grams, money, problemWords } from '../../shared/words'
import { BeyondWords } from './BeyondWords'
import type { Seen } from './useLook'

/** A slider goes this far past the load limit, so that a hand can feel where it lies. */
const pastLimit = 1.5

/** Small doses move colour most, so a slider gives them most of its way. */
const bend = 3

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
  const unused = materials.filter((m) => m.kind === 'colourant' && !recipe.doses.some((d) => d.colourantId === m.id))
  const problemAt = (path: string) => {
    const problem = seen.problems.find((one) => one.path === path)
    return problem && problemWords(t, problem, nameOf)
  }
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
        {seen.error && <Problem>{t(`trouble.${seen.error.code}`)}</Problem>}
      </div>
      <Choice
        legend={t('paste.base')}
        options={materials.filter((m) => m.kind === 'paste').map((m) => ({ value: m.id, label: m.name }))}
        chosen={recipe.baseId}
        onChoose={(baseId) => onRecipe({ ...recipe, baseId })}
      />
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
                pasteG={pasteG}
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

function DoseLine({
  material,
  name,
  gPer100g,
  pasteG,
  look,
  measured,
  problem,
  onDose,
  onRemove,
}: {
  material: Material | undefined
  name: string
  gPer100g: number
  pasteG: number
  look: Look | undefined
  measured: DosedColour | undefined
  problem: string | undefined
  onDose: (gPer100g: number) => void
  onRemove: () => void
}) {
  const { t } = useTranslation()
  const most = (material?.loadLimit ?? 4) * pastLimit
  const load = look?.loads.find((one) => one.colourantId === material?.id)
  const effect = look?.effects.find((one) => one.colourantId === material?.id)
  const units = measured?.units
  const oneUnit = units && pasteG > 0 ? (units.massG * 100) / pasteG : 0
  const step = (by: number) => onDose(Math.max(0, (Math.max(0, Math.round(gPer100g / oneUnit)) + by) * oneUnit))
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {material?.chip && <Swatch colour={material.chip} className="border-surround h-8 w-10 border-4" />}
        <span className="w-26 truncate text-sm font-semibold" title={name}>
          {name}
        </span>
        <input
          type="range"
          className="range range-xs min-w-24 flex-1"
          aria-label={t('mixing.mix.slide', { name })}
          aria-valuetext={measured ? `${dose(t, measured)}, ${grams(measured.grams)}` : undefined}
          min={0}
          max={1000}
          value={Math.round(1000 * Math.pow(Math.min(1, gPer100g / most), 1 / bend))}
          onChange={(event) =>
            onDose(Number((most * Math.pow(Number(event.target.value) / 1000, bend)).toPrecision(3)))
          }
        />
        <NumberField
          label={t('paste.dose', { name })}
          hideLabel
          unit={t('paste.per100')}
          value={gPer100g}
          problem={problem}
          onChange={onDose}
        />
      </div>
      <div className="mt-1 flex items-start justify-between gap-2 text-sm">
        <div className="flex flex-wrap items-center gap-x-3">
          {oneUnit > 0 && units && (
            <span className="flex items-center">
              <button
                className="btn btn-ghost btn-xs btn-square"
                aria-label={t('mixing.mix.oneLess', { unit: t(`dose.one.${units.kind}`), name })}
                onClick={() => step(-1)}
              >
                <Minus size={14} aria-hidden />
              </button>
              <span className="min-w-20 text-center font-semibold">{measured && dose(t, measured)}</span>
              <button
                className="btn btn-ghost btn-xs btn-square"
                aria-label={t('mixing.mix.oneMore', { unit: t(`dose.one.${units.kind}`), name })}
                onClick={() => step(1)}
              >
                <Plus size={14} aria-hidden />
              </button>
            </span>
          )}
          {measured && <span className="quiet">{grams(measured.grams)}</span>}
          {effect && (
            <span>
              {t(`mixing.effect.${effect.kind}`)}{' '}
              <span className="quiet">
                {t('mixing.effect.figures', { lightness: signed(effect.lightness), chroma: signed(effect.chroma) })}
              </span>
            </span>
          )}
          {units?.oneMore != null && (
            <span className="quiet">
              {t('mixing.mix.sensitivity', { unit: t(`dose.one.${units.kind}`), deltaE: deltaE(units.oneMore) })}
            </span>
          )}
        </div>
        <button className="btn btn-ghost btn-sm btn-square" aria-label={t('paste.remove', { name })} onClick={onRemove}>
          <X size={16} aria-hidden />
        </button>
      </div>
      {load && load.share > 1 && (
        <p className="mt-1 flex items-start gap-1 text-sm">
          <TriangleAlert size={15} aria-hidden className="mt-0.5 shrink-0" />
          {t('mixing.mix.overLimit', { limit: load.limitGPer100g, percent: Math.round(100 * load.share) })}
        </p>
      )}
      {measured?.letDown && <LetDownSteps letDown={measured.letDown} name={name} />}
    </li>
  )
}

const signed = (value: number) => (value > 0 ? '+' : value < 0 ? '−' : '±') + Math.abs(value).toFixed(0)

/** What the recipe comes to: rounding, rest, cost, other lights, and other ways when it is too much. */
function Told({ look, pasteG, nameOf, currency }: { look: Look; pasteG: number; nameOf: NameOf; currency: string }) {
  const { t } = useTranslation()
  return (
    <div className="space-y-3 text-sm">
      <section>
        <h3 className="font-semibold">{t('mixing.told.batch', { mass: grams(pasteG) })}</h3>
        <ul className="mt-1 space-y-0.5">
          {look.batch.colours.length > 0 && (
            <li>{t('mixing.told.rounded', { deltaE: deltaE(look.batch.roundingDeltaE) })}</li>
          )}
          {look.restHours > 0 && <li>{t('mixing.told.rest', { count: Math.ceil(look.restHours) })}</li>}
          <li>{look.cost === null ? t('mixing.noCost') : t('mixing.cost', { cost: money(look.cost, currency) })}</li>
        </ul>
      </section>
      <section>
        <h3 className="font-semibold">{t('mixing.told.lights')}</h3>
        <ul className="surround mt-1 grid grid-cols-3 gap-x-2 gap-y-2 p-2 text-xs sm:grid-cols-6">
          {look.lights.map((lit) => (
            <li key={lit.light}>
              <span className="flex">
                <Swatch colour={lit.colour} label={t('mixing.told.mix')} className="h-7 w-1/2" />
                <Swatch colour={lit.target} label={t('finder.target')} className="h-7 w-1/2" />
              </span>
              {t(`light.${lit.light}`)} {deltaE(lit.difference.deltaE)}
            </li>
          ))}
        </ul>
      </section>
      {look.alternatives.length > 0 && (
        <section>
          <h3 className="font-semibold">{t('mixing.told.instead')}</h3>
          <ul className="mt-1 space-y-1">
            {look.alternatives.map((way) => (
              <li key={way.way}>
                {way.way === 'dust' && way.beyond ? (
                  <BeyondWords beyond={way.beyond} nameOf={nameOf} />
                ) : (
                  <>
                    {t(`mixing.way.${way.way}`, {
                      recipe: way.recipe.doses
                        .map((one) => `${nameOf(one.colourantId)} ${Number(one.gPer100g.toPrecision(2))} g`)
                        .join(', '),
                      difference: differenceWords(t, way.difference),
                      deltaE: deltaE(way.difference.deltaE),
                    })}{' '}
                    <span className="surround inline-block p-1 align-middle">
                      <Swatch colour={way.colour} className="h-4 w-8 align-middle" />
                    </span>
                  </>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
