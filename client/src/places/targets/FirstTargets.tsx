import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { FlowerAnswer, PieceView, StartingPoint, Zone } from '../../api/api'
import { queries } from '../../api/queries'
import { StartCard } from './StartCard'
import type { ChangeTargets } from './changeTargets'
import { inSentence } from '../../shared/inSentence'

const mostShown = 6

/** A flower without a picture: its colourings as it grows, or a few to try, so that there is something to begin with. */
export function FirstTargets({
  flower,
  piece,
  zone,
  onChange,
}: {
  flower: FlowerAnswer
  piece: PieceView
  zone: Zone
  onChange: ChangeTargets
}) {
  const { t } = useTranslation()
  const starts = useQuery(queries.startingPoints()).data ?? []
  const [said, setSaid] = useState('')
  const own = starts.filter((one) => one.kind === 'natural' && isOf(one, flower.name))
  const isLeaf = piece.piece.form?.role === 'leaf'
  const natural = starts.filter((one) => one.kind === 'natural' && one.isLeaf === isLeaf)
  // Spread over the library, not the first of the alphabet.
  const some = natural.filter((_, i) => i % Math.max(1, Math.floor(natural.length / mostShown)) === 0)
  const shown = (own.length > 0 ? own : some).slice(0, mostShown)
  return (
    <section aria-labelledby="first-targets" className="px-4 pt-2 lg:px-6">
      <p className="max-w-prose text-sm">{t('pictures.none')}</p>
      <h2 id="first-targets" className="mt-4 font-semibold">
        {t(own.length > 0 ? 'firstTargets.own' : 'firstTargets.some', { flower: flower.name })}
      </h2>
      <p className="quiet max-w-prose text-sm">{t('firstTargets.help', { piece: inSentence(piece.name) })}</p>
      <p role="status" className="text-sm">
        {said}
      </p>
      <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(17rem,1fr))] gap-x-6 gap-y-5">
        {shown.map((one) => (
          <StartCard key={one.id} start={one} piece={piece} zone={zone} onChange={onChange} onUsed={setSaid} />
        ))}
      </ul>
    </section>
  )
}

/** Whether a colouring is of a flower that goes by this name: "Hellebore, spotted" is a hellebore. */
function isOf(start: StartingPoint, flower: string): boolean {
  const words = flower.toLowerCase().split(/[^\p{L}]+/u)
  return start.name
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .some((word) => word.length > 2 && words.includes(word))
}
