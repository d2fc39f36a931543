import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { ColourView, Look, MixingTable } from '../../api/api'
import { LookAtRecipeRequestLimits } from '../../api/limits'
import { Choice } from '../../shared/Choice'
import { ColourEntry } from '../../shared/ColourEntry'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { grams } from '../../shared/words'
import { Shelf } from './Shelf'
import { fromPiece } from './starts'
import type { Table } from './tableState'
import { inSentence } from '../../shared/inSentence'

const mass = LookAtRecipeRequestLimits.pasteG

/** The colour of the paste itself, which is no zone. */
const ground = 'ground'

type Way = 'colour' | 'flower' | 'batch'

/** Where mixing begins: a colour, what a flower wants, or a batch that was kept. And how much is needed. */
export function Start({
  shelf,
  table,
  look,
  onBegin,
  onChange,
}: {
  shelf: MixingTable
  table: Table
  look: Look | undefined
  /** A new target. */
  onBegin: (part: Partial<Table>) => void
  onChange: (part: Partial<Table>) => void
}) {
  const { t } = useTranslation()
  const [way, setWay] = useState<Way>('colour')
  return (
    <section aria-label={t('mixing.start.title')} className="space-y-3 px-4 pb-4 lg:px-6">
      <Choice
        legend={t('mixing.start.title')}
        options={(['colour', 'flower', 'batch'] as const).map((value) => ({
          value,
          label: t(`mixing.start.${value}`),
        }))}
        chosen={way}
        onChoose={setWay}
      />
      {way === 'colour' && <FromColour shelf={shelf} table={table} look={look} onBegin={onBegin} />}
      {way === 'flower' && <FromFlower shelf={shelf} onBegin={onBegin} />}
      {way === 'batch' && <Shelf shelf={shelf} onBegin={onBegin} />}
      <NumberField
        label={t('mixing.start.mass')}
        unit="g"
        value={table.pasteG}
        problem={
          table.pasteG >= mass.minimum && table.pasteG <= mass.maximum
            ? undefined
            : t('problem.massOutOfRange', { limit: mass.maximum })
        }
        onChange={(pasteG) => onChange({ pasteG })}
      />
    </section>
  )
}

function FromColour({
  shelf,
  table,
  look,
  onBegin,
}: {
  shelf: MixingTable
  table: Table
  look: Look | undefined
  onBegin: (part: Partial<Table>) => void
}) {
  const { t } = useTranslation()
  const [picked, setPicked] = useState<ColourView | null>(null)
  // Under daylight the target is seen as it was entered; after a reload it is told from there.
  const entered = picked ?? look?.lights.find((lit) => lit.light === 'daylight')?.target ?? null
  const begin = (colour: ColourView, targetName: string) => {
    setPicked(colour)
    onBegin({ target: colour.lab, targetName, batchId: null, pieceId: null })
  }
  return (
    <>
      <ColourEntry
        label={t('mixing.start.target')}
        colour={table.target ? entered : null}
        onChange={(colour) => begin(colour, t('mixing.start.ownColour'))}
      />
      <SelectField
        label={t('mixing.start.swatch')}
        value=""
        placeholder={t('mixing.start.chooseSwatch')}
        options={shelf.swatches.map(({ id }) => ({ value: id, label: t(`swatch.${id}`) }))}
        onChoose={(id) => {
          const swatch = shelf.swatches.find((one) => one.id === id)
          if (swatch) begin(swatch.colour, t(`swatch.${id}`))
        }}
      />
    </>
  )
}

function FromFlower({ shelf, onBegin }: { shelf: MixingTable; onBegin: (part: Partial<Table>) => void }) {
  const { t } = useTranslation()
  const [pieceId, setPieceId] = useState('')
  const piece = shelf.pieces.find((one) => one.id === pieceId)
  const [zone, setZone] = useState(ground)
  const begin = (id: string, of: string) => {
    setPieceId(id)
    setZone(of)
    const chosen = shelf.pieces.find((one) => one.id === id)
    const laid = chosen && fromPiece(chosen, shelf, of === ground ? null : of)
    if (laid) onBegin(laid)
  }
  return (
    <>
      <SelectField
        label={t('mixing.start.piece')}
        value={pieceId}
        placeholder={t('mixing.start.choosePiece')}
        options={shelf.pieces.map((one) => ({
          value: one.id,
          label: `${one.flowerName}, ${inSentence(one.name)} (${grams(t, one.pasteG)})`,
        }))}
        onChoose={(id) => begin(id, ground)}
      />
      {piece && (
        <SelectField
          label={t('mixing.start.zone')}
          value={zone}
          options={piece.targets.map((target) => ({
            value: target.zone ?? ground,
            label: target.zone ? t(`zone.${target.zone}`) : t('mixing.start.ground'),
          }))}
          onChoose={(chosen) => begin(piece.id, chosen)}
        />
      )}
    </>
  )
}
