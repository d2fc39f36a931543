import { useTranslation } from '../../shared/translation'
import type { Lab, Material, PasteRecipe, PieceView, Plan, Preview } from '../../api/api'
import { ColourEntry } from '../../shared/ColourEntry'
import { Problem } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords, dose, grams, zoneName } from '../../shared/words'
import { AddMaterial } from '../../shared/AddMaterial'
import { Choice } from '../../shared/Choice'
import { DoseRow } from '../../shared/DoseRow'
import type { ProblemAt } from '../../shared/Editor'
import { Editor } from '../../shared/Editor'
import { PasteFromElsewhere } from './PasteFromElsewhere'
import { ReadyBatches } from './ReadyBatches'
import { RecipeFinder } from './RecipeFinder'
import { offered } from '../../shared/cabinet'
import { Term } from '../../shared/Term'
import { inSentence } from '../../shared/inSentence'

/** The paste of a piece: its ground colour, recipes for it, and the doses by hand. */
export function PasteEditor({
  piece,
  plan,
  preview,
  materials,
  nameOf,
  problemAt,
  onGround,
  onPaste,
  onBatch,
  onClose,
}: {
  piece: PieceView
  plan: Plan
  preview: Preview
  materials: Material[]
  nameOf: NameOf
  /** Path within the plan. */
  problemAt: ProblemAt
  onGround: (lab: Lab) => void
  onPaste: (paste: PasteRecipe) => void
  /** Shapes the piece from a batch that is there; null for a paste of its own again. */
  onBatch: (id: string | null) => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  const { pasteDifference } = preview
  if (preview.source.kind !== 'own')
    return (
      <Editor title={t('paste.title')} onClose={onClose}>
        <PasteFromElsewhere piece={piece} preview={preview} nameOf={nameOf} onOwn={() => onBatch(null)} />
      </Editor>
    )
  return (
    <Editor title={t('paste.title')} onClose={onClose}>
      <p className="quiet mb-2 text-sm">
        {t('paste.mass', {
          batch: grams(t, piece.batchG),
          pieces: piece.toMake,
          name: inSentence(piece.name),
          each: grams(t, piece.pieceG),
          ball: piece.ball,
          spares: piece.spares,
        })}
      </p>
      <div className="grid gap-x-8 gap-y-4 md:grid-cols-2">
        <div className="space-y-3">
          <Choice
            legend={t('paste.base')}
            options={offered(materials, 'paste', plan.paste.baseId).map((m) => ({ value: m.id, label: m.name }))}
            chosen={plan.paste.baseId}
            onChoose={(baseId) => onPaste({ ...plan.paste, baseId })}
          />
          <Doses
            plan={plan}
            preview={preview}
            materials={materials}
            nameOf={nameOf}
            problemAt={problemAt}
            onPaste={onPaste}
          />
        </div>
        <div className="space-y-3">
          <ColourEntry
            label={t('paste.ground')}
            term="ground"
            colour={preview.ground}
            onChange={(colour) => onGround(colour.lab)}
          />
          <fieldset>
            <legend className="quiet text-xs">{t('paste.groundLike')}</legend>
            <div className="flex flex-wrap gap-2">
              {preview.zones.map(({ zone, target }) => (
                <button
                  key={zone}
                  type="button"
                  className="btn btn-sm px-2 font-normal"
                  aria-label={t('paste.groundLikeZone', { zone: inSentence(zoneName(t, zone, piece.build)) })}
                  onClick={() => onGround(target.lab)}
                >
                  <span aria-hidden className="size-5" style={{ backgroundColor: target.hex }} />
                  {zoneName(t, zone, piece.build)}
                </button>
              ))}
            </div>
          </fieldset>
          <div className="surround flex items-center p-3">
            <Swatch colour={preview.paste} label={t('paste.now')} className="h-12 w-20" />
            <Swatch colour={preview.ground} label={t('paste.ground')} className="h-12 w-20" />
            <p className="pl-3 text-sm">
              <span className="font-semibold">{differenceWords(t, pasteDifference)}</span>{' '}
              <Term name="deltaE">{deltaE(pasteDifference.deltaE)}</Term>
              <span className="block text-xs">{t('paste.order')}</span>
            </p>
          </div>
        </div>
      </div>
      {problemAt('batchId') && <Problem>{problemAt('batchId')}</Problem>}
      <ReadyBatches pieceId={piece.id} onUse={onBatch} />
      <RecipeFinder piece={piece} baseId={plan.paste.baseId} ground={plan.ground} nameOf={nameOf} onUse={onPaste} />
    </Editor>
  )
}

function Doses({
  plan,
  preview,
  materials,
  nameOf,
  problemAt,
  onPaste,
}: {
  plan: Plan
  preview: Preview
  materials: Material[]
  nameOf: NameOf
  problemAt: ProblemAt
  onPaste: (paste: PasteRecipe) => void
}) {
  const { t } = useTranslation()
  const { paste } = plan
  const unused = offered(materials, 'colourant').filter((m) => !paste.doses.some((d) => d.colourantId === m.id))
  const setDoses = (doses: PasteRecipe['doses']) => onPaste({ ...paste, doses })
  const problem = problemAt('paste.doses')
  return (
    <fieldset>
      <legend className="quiet text-xs">{t('paste.doses')}</legend>
      {paste.doses.length === 0 && <p className="text-sm">{t('paste.none')}</p>}
      <ul className="space-y-1">
        {paste.doses.map((one, i) => {
          const material = materials.find((m) => m.id === one.colourantId)
          const measured = preview.batch.colours.find((colour) => colour.colourantId === one.colourantId)
          const name = nameOf(one.colourantId)
          return (
            <DoseRow
              key={one.colourantId}
              name={name}
              gPer100g={one.gPer100g}
              problem={problemAt(`paste.doses[${i}].gPer100g`) ?? problemAt(`paste.doses[${i}].colourantId`)}
              before={
                material?.chip && <Swatch colour={material.chip} className="border-surround mt-0.5 h-8 w-10 border-4" />
              }
              after={<span className="w-22 pt-1 font-semibold">{measured && dose(t, measured)}</span>}
              onDose={(gPer100g) => setDoses(paste.doses.map((old, j) => (i === j ? { ...old, gPer100g } : old)))}
              onRemove={() => setDoses(paste.doses.filter((_, j) => i !== j))}
            />
          )
        })}
      </ul>
      {problem && <Problem>{problem}</Problem>}
      <AddMaterial
        label={t('paste.add')}
        materials={unused}
        onAdd={(colourantId) => setDoses([...paste.doses, { colourantId, gPer100g: 0.1 }])}
      />
      {preview.batch.roundingDeltaE >= 0.05 && (
        <p className="quiet mt-1 text-xs">
          {t('paste.rounding', { difference: deltaE(preview.batch.roundingDeltaE) })}
        </p>
      )}
    </fieldset>
  )
}
