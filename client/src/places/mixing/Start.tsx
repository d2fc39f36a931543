import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import type { ColourView, Look, MixingTable } from '../../api/api'
import { Choice } from '../../shared/Choice'
import { ColourEntry } from '../../shared/ColourEntry'
import { NumberField } from '../../shared/NumberField'
import { grams } from '../../shared/words'
import { Shelf } from './Shelf'
import { fromPiece } from './starts'
import type { Table } from './tableState'

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
          table.pasteG > 0 && table.pasteG <= 100_000 ? undefined : t('problem.massOutOfRange', { limit: 100_000 })
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
    onBegin({ target: colour.lab, targetName, batchId: null })
  }
  return (
    <>
      <ColourEntry
        label={t('mixing.start.target')}
        colour={table.target ? entered : null}
        onChange={(colour) => begin(colour, t('mixing.start.ownColour'))}
      />
      <div>
        <label className="quiet block text-xs" htmlFor="named-swatch">
          {t('mixing.start.swatch')}
        </label>
        <select
          id="named-swatch"
          className="select select-sm w-full max-w-64"
          value=""
          onChange={(event) => {
            const swatch = shelf.swatches.find((one) => one.id === event.target.value)
            if (swatch) begin(swatch.colour, t(`swatch.${swatch.id}`))
          }}
        >
          <option value="" disabled>
            {t('mixing.start.chooseSwatch')}
          </option>
          {shelf.swatches.map((swatch) => (
            <option key={swatch.id} value={swatch.id}>
              {t(`swatch.${swatch.id}`)}
            </option>
          ))}
        </select>
      </div>
    </>
  )
}

function FromFlower({ shelf, onBegin }: { shelf: MixingTable; onBegin: (part: Partial<Table>) => void }) {
  const { t } = useTranslation()
  const [pieceId, setPieceId] = useState('')
  const piece = shelf.pieces.find((one) => one.id === pieceId)
  const begin = (id: string, zone: string | null) => {
    const chosen = shelf.pieces.find((one) => one.id === id)
    const laid = chosen && fromPiece(chosen, shelf, zone)
    if (laid) onBegin(laid)
  }
  return (
    <>
      <div>
        <label className="quiet block text-xs" htmlFor="start-piece">
          {t('mixing.start.piece')}
        </label>
        <select
          id="start-piece"
          className="select select-sm w-full max-w-64"
          value={pieceId}
          onChange={(event) => {
            setPieceId(event.target.value)
            begin(event.target.value, null)
          }}
        >
          <option value="" disabled>
            {t('mixing.start.choosePiece')}
          </option>
          {shelf.pieces.map((one) => (
            <option key={one.id} value={one.id}>
              {one.flowerName}, {one.name.toLowerCase()} ({grams(one.pasteG)})
            </option>
          ))}
        </select>
      </div>
      {piece && (
        <div>
          <label className="quiet block text-xs" htmlFor="start-zone">
            {t('mixing.start.zone')}
          </label>
          <select
            id="start-zone"
            className="select select-sm w-full max-w-64"
            defaultValue=""
            onChange={(event) => begin(piece.id, event.target.value || null)}
          >
            {piece.targets.map((target) => (
              <option key={target.zone ?? 'ground'} value={target.zone ?? ''}>
                {target.zone ? t(`zone.${target.zone}`) : t('mixing.start.ground')}
              </option>
            ))}
          </select>
        </div>
      )}
    </>
  )
}
