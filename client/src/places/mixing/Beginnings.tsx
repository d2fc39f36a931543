import { useTranslation } from '../../shared/translation'
import type { ColourView, MixingTable } from '../../api/api'
import { Swatch } from '../../shared/Swatch'
import { colourName } from '../../shared/words'
import { fromBatch, fromPiece } from './starts'
import type { Recent } from './recent'
import type { Table } from './tableState'
import { inSentence } from '../../shared/inSentence'

const mostOfAKind = 8

/** An empty table is no place to begin: the maker's own flowers, her last colours, her batches, and something to try. */
export function Beginnings({
  shelf,
  recent,
  onBegin,
}: {
  shelf: MixingTable
  recent: Recent[]
  onBegin: (part: Partial<Table>) => void
}) {
  const { t } = useTranslation()
  const own = (colour: ColourView, targetName: string) =>
    onBegin({ target: colour.lab, targetName, batchId: null, pieceId: null })
  const pieces = shelf.pieces.slice(0, mostOfAKind)
  const batches = shelf.batches.slice(0, mostOfAKind)
  const example = shelf.swatches.find((one) => one.id === 'dustyWine') ?? shelf.swatches[0]
  return (
    <section aria-label={t('beginnings.title')} className="surround grow px-4 py-4 lg:px-6">
      <h2 className="name text-xl">{t('beginnings.title')}</h2>
      <p className="max-w-prose text-sm">{t('beginnings.help')}</p>
      {recent.length > 0 && (
        <Row title={t('beginnings.recent')}>
          {recent.map((one, i) => (
            <Begin key={i} name={one.name} colour={one.colour} onPress={() => own(one.colour, one.name)} />
          ))}
        </Row>
      )}
      {pieces.length > 0 && (
        <Row title={t('beginnings.flowers')}>
          {pieces.map((piece) => {
            const laid = fromPiece(piece, shelf)
            const colour = piece.targets.find((target) => target.zone === null)?.colour
            return laid && colour ? (
              <Begin
                key={piece.id}
                name={`${piece.flowerName}, ${inSentence(piece.name)}`}
                colour={colour}
                onPress={() => onBegin(laid)}
              />
            ) : null
          })}
        </Row>
      )}
      {batches.length > 0 && (
        <Row title={t('beginnings.batches')}>
          {batches.map((batch) => (
            <Begin
              key={batch.id}
              name={batch.name}
              colour={batch.target}
              onPress={() => onBegin(fromBatch(batch, shelf))}
            />
          ))}
        </Row>
      )}
      {example && (
        <Row title={t('beginnings.example')}>
          <Begin
            name={t(`swatch.${example.id}`)}
            colour={example.colour}
            onPress={() => own(example.colour, t(`swatch.${example.id}`))}
          />
        </Row>
      )}
    </section>
  )
}

function Row({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-4">
      <h3 className="text-sm font-semibold">{title}</h3>
      <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-3">{children}</ul>
    </section>
  )
}

function Begin({ name, colour, onPress }: { name: string; colour: ColourView; onPress: () => void }) {
  const { t } = useTranslation()
  return (
    <li className="min-w-0">
      <button
        type="button"
        className="outline-surround-ink flex w-full cursor-pointer items-start gap-3 p-1 text-left text-sm hover:outline-1"
        onClick={onPress}
      >
        <Swatch colour={colour} label="" className="h-12 w-12 shrink-0" />
        <span className="min-w-0">
          <span className="block font-semibold">{name}</span>
          <span className="block">{colourName(t, colour)}</span>
        </span>
      </button>
    </li>
  )
}
