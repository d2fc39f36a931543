import { useTranslation } from '../../shared/translation'
import type { FlowerAnswer, PieceView } from '../../api/api'
import { PieceDrawing } from '../../shared/PieceDrawing'
import { NavLink } from '../../shared/NavLink'

const largestPx = 62
const smallestPx = 20

/** How far a piece is, once something of it is done. */
function Done({ progress }: { progress: { done: number; steps: number } | undefined }) {
  const { t } = useTranslation()
  if (!progress || progress.done === 0) return null
  return <span className="block text-xs">{t('stem.progress', { ...progress })}</span>
}

/** The pieces of a flower along its drawn stem, from the bud at the top to the leaves at the foot. */
export function Stem({ flower, chosenId }: { flower: FlowerAnswer; chosenId: string }) {
  const { t } = useTranslation()
  const longest = Math.max(...flower.pieces.map((piece) => piece.lengthMm))
  const heightOf = (piece: PieceView) => smallestPx + (largestPx - smallestPx) * Math.sqrt(piece.lengthMm / longest)
  return (
    <nav aria-label={t('stem.title', { flower: flower.name })} className="relative lg:grow">
      <svg
        aria-hidden
        className="absolute top-6 left-10 hidden h-[calc(100%-1.5rem)] w-4 -translate-x-1/2 lg:block"
        viewBox="0 0 16 400"
        preserveAspectRatio="none"
      >
        <path
          d="M8 0C14 110 2 210 9 290s-1 70-1 110"
          fill="none"
          stroke="currentColor"
          strokeOpacity="0.35"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <ul className="flex gap-4 overflow-x-auto pb-1 lg:h-full lg:flex-col lg:justify-around lg:gap-2 lg:overflow-visible">
        {flower.pieces.map((piece, i) => {
          const chosen = piece.id === chosenId
          return (
            <li key={piece.id} className="relative shrink-0">
              <NavLink
                to={`/flowers/${flower.id}/${piece.id}`}
                isHere={chosen}
                className="group flex items-center gap-2 p-1"
              >
                {/* Pieces sit on the stem a little to one side and the other, as leaves do. */}
                <span
                  className={`flex w-18 shrink-0 justify-center ${i === 0 ? '' : i % 2 === 0 ? 'lg:-translate-x-2' : 'lg:translate-x-2'}`}
                >
                  <PieceDrawing piece={piece} heightPx={heightOf(piece)} chosen={chosen} />
                </span>
                <span className="leading-tight">
                  <span
                    className={`block text-sm ${chosen ? 'font-semibold underline underline-offset-4' : 'group-hover:underline'}`}
                  >
                    {piece.name}
                  </span>
                  <span className="quiet block text-xs">
                    {t('stem.count', { needed: piece.toMake - piece.spares, spares: piece.spares })}
                  </span>
                  <Done progress={flower.progress[piece.id]} />
                </span>
              </NavLink>
            </li>
          )
        })}
      </ul>
    </nav>
  )
}
