import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { EyeCell, EyePicker, Lab, Target, Zone } from '../../api/api'
import { answer, api } from '../../api/api'
import { Failure, Reading } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import { colourName } from '../../shared/words'
import type { ChangeTargets } from './changeTargets'
import { rounded } from '../../shared/numbers'

/** A colour by eye: lightness and colourfulness in a field, hue in a band, and neighbours to compare. Only what the cabinet reaches. */
export function ByEye({ zone, target, onChange }: { zone: Zone; target: Target; onChange: ChangeTargets }) {
  const { t } = useTranslation()
  const { data, error } = useQuery({
    queryKey: ['picker', target.colour],
    queryFn: ({ signal }) => answer(api.POST('/api/colours/picker', { body: { colour: target.colour }, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  })
  if (!data) return error ? <Failure error={error} nameOf={(id) => id} /> : <Reading />
  const pick = (colour: Lab) => onChange({ [zone]: { colour } })
  return (
    <>
      <p className="px-4 pb-3 text-sm lg:px-6">
        {t('eye.help')} <strong>{t('eye.now', { zone: t(`zone.${zone}`), colour: colourName(t, data.colour) })}</strong>{' '}
        {t(`eye.by.${data.by}`)}
      </p>
      <div className="surround grid gap-8 p-4 lg:p-6 xl:grid-cols-[auto_minmax(0,1fr)]">
        <div className="overflow-x-auto">
          <Field picker={data} onPick={pick} />
          <Hues picker={data} onPick={pick} />
        </div>
        <Round picker={data} onPick={pick} />
      </div>
    </>
  )
}

/** Pale above, deep below; grey at the left, stronger to the right. */
function Field({ picker, onPick }: { picker: EyePicker; onPick: (colour: Lab) => void }) {
  const { t } = useTranslation()
  return (
    <div role="group" aria-label={t('eye.field')}>
      <p className="pb-1 text-xs">{t('eye.fieldHelp')}</p>
      {picker.plane.map((row, down) => (
        <div key={down} className="flex">
          {row.map((cell, along) => (
            <Cell
              key={along}
              cell={cell}
              isHere={down === picker.row && along === picker.column}
              className="h-6 w-7"
              onPick={onPick}
            />
          ))}
        </div>
      ))}
    </div>
  )
}

function Hues({ picker, onPick }: { picker: EyePicker; onPick: (colour: Lab) => void }) {
  const { t } = useTranslation()
  return (
    <div role="group" aria-label={t('eye.hues')} className="pt-4">
      <p className="pb-1 text-xs">{t('eye.hues')}</p>
      <div className="grid grid-cols-[repeat(18,1.5rem)]">
        {picker.hues.map((cell, i) => (
          <Cell key={i} cell={cell} isHere={i === picker.hue} className="h-8 w-6" onPick={onPick} />
        ))}
      </div>
    </div>
  )
}

function Cell({
  cell,
  isHere,
  className,
  onPick,
}: {
  cell: EyeCell
  isHere: boolean
  className: string
  onPick: (colour: Lab) => void
}) {
  const { t } = useTranslation()
  const { colour, by } = cell
  // What nothing reaches is left out; the place stays, so that the field keeps its shape.
  if (!colour || (by === 'nothing' && !isHere)) return <span className={`${className} inline-block shrink-0`} />
  const words = `${colourName(t, colour)}, L ${rounded(colour.lab.l, 0)}, ${t(`eye.by.${by}`)}`
  return (
    <button
      type="button"
      aria-pressed={isHere}
      aria-label={words}
      title={words}
      className={`${className} relative shrink-0 cursor-pointer ${isHere ? 'z-10 ring-2 ring-black ring-offset-2' : ''}`}
      style={{ backgroundColor: colour.hex }}
      onClick={() => onPick(colour.lab)}
    >
      {by === 'dust' && (
        <span aria-hidden className="absolute right-1 bottom-1 size-1.5 rounded-full border border-white bg-black" />
      )}
    </button>
  )
}

/** The colours round the picked one, each laid against it. */
function Round({ picker, onPick }: { picker: EyePicker; onPick: (colour: Lab) => void }) {
  const { t } = useTranslation()
  return (
    <div role="group" aria-label={t('eye.round')} className="text-sm">
      <p className="pb-1 text-xs">{t('eye.roundHelp')}</p>
      {(['touch', 'shade'] as const).map((size) => (
        <ul key={size} className="grid grid-cols-[repeat(auto-fill,minmax(8rem,1fr))] gap-3 pb-4">
          {picker.neighbours
            .filter((one) => one.size === size)
            .map((one) => {
              const words = t(`eye.size.${size}`, { way: t(`eye.way.${one.way}`) })
              return (
                <li key={one.way}>
                  <button
                    type="button"
                    className="block w-full cursor-pointer text-left"
                    onClick={() => onPick(one.colour.lab)}
                  >
                    <span className="flex">
                      <Swatch colour={picker.colour} label={t('eye.this')} className="h-10 w-1/2" />
                      <Swatch colour={one.colour} label={words} className="h-10 w-1/2" />
                    </span>
                    <span className="block pt-0.5 text-xs">
                      {words}
                      {one.by !== 'paste' && ` (${t(`eye.by.${one.by}`)})`}
                    </span>
                  </button>
                </li>
              )
            })}
        </ul>
      ))}
    </div>
  )
}
