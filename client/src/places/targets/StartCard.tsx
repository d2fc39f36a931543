import { useTranslation } from '../../shared/translation'
import type { PieceView, StartingPoint, Zone } from '../../api/api'
import { Swatch } from '../../shared/Swatch'
import type { ChangeTargets } from './changeTargets'

/** A colouring to begin from: one of its colours for the chosen zone, or all of them for the piece. */
export function StartCard({
  start,
  piece,
  zone,
  onChange,
  onUsed,
}: {
  start: StartingPoint
  piece: PieceView
  zone: Zone
  onChange: ChangeTargets
  onUsed: (words: string) => void
}) {
  const { t } = useTranslation()
  const used = () => onUsed(t('library.used', { name: start.name }))
  return (
    <li className="text-sm">
      <div className="surround flex items-start p-3">
        {start.targets.map((target) => (
          <button
            key={target.zone}
            type="button"
            className="flex min-w-0 flex-1 cursor-pointer flex-col text-left text-[0.68rem] leading-tight"
            onClick={() => {
              onChange({ [zone]: { colour: target.colour.lab, finish: target.finish } })
              used()
            }}
          >
            <Swatch colour={target.colour} label={t(`zone.${target.zone}`)} className="block h-14 w-full" />
            {t(`zone.${target.zone}`)}
            <span>{target.finish !== 'matt' && t(`finish.${target.finish}`)}</span>
          </button>
        ))}
      </div>
      <h2 className="pt-1 font-semibold">
        {start.name}
        {start.variant && `, ${start.variant}`}
      </h2>
      <p className="quiet">
        {start.part && `${start.part}; `}
        {start.seenIn}
      </p>
      <button
        type="button"
        className="act min-h-6"
        aria-label={t('library.useAll', { name: `${start.name} ${start.variant}`.trim(), piece: piece.name })}
        onClick={() => {
          onChange(
            Object.fromEntries(
              start.targets.map(({ zone: of, colour, spread, finish }) => [of, { colour: colour.lab, spread, finish }]),
            ),
          )
          used()
        }}
      >
        {t('library.use', { piece: piece.name })}
      </button>
    </li>
  )
}
