import { Minus, Plus, TriangleAlert, X } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { DosedColour, Look, Material } from '../../api/api'
import { LetDownSteps } from '../../shared/LetDownSteps'
import { NumberField } from '../../shared/NumberField'
import { Swatch } from '../../shared/Swatch'
import { deltaE, dose, grams } from '../../shared/words'
import { figures } from '../../shared/numbers'

/** A slider goes this far past the load limit, so that a hand can feel where it lies. */
const pastLimit = 1.5

/** Small doses move colour most, so a slider gives them most of its way. */
const bend = 3

/** One colour of a mix: its dose to drag, type or count, and what it does. */
export function DoseLine({
  material,
  name,
  gPer100g,
  look,
  measured,
  problem,
  onDose,
  onRemove,
}: {
  material: Material | undefined
  name: string
  gPer100g: number
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
  const oneUnit = units?.gPer100g ?? 0
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
          aria-valuetext={measured ? `${dose(t, measured)}, ${grams(t, measured.grams)}` : undefined}
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
          {measured && <span className="quiet">{grams(t, measured.grams)}</span>}
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

const signed = (value: number) =>
  value === 0 ? '±0' : figures(value, { maximumFractionDigits: 0, signDisplay: 'always' })
