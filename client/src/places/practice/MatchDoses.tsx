import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { PracticeQuestion } from '../../api/api'
import { queries } from '../../api/queries'
import { significant } from '../../shared/numbers'
import { Swatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { deltaE } from '../../shared/words'

/** So many steps from nothing to the most. */
const steps = 200

/** Doses that are drawn until the paste looks the same; then the best is told. */
export function MatchDoses({
  question,
  nameOf,
  isDone,
  onDone,
}: {
  question: PracticeQuestion
  nameOf: NameOf
  isDone: boolean
  onDone: (deltaE: number) => void
}) {
  const { t } = useTranslation()
  const mix = question.mixes[0]!
  const [doses, setDoses] = useState(() => mix.doses.map((one) => ({ ...one, gPer100g: 0 })))
  const wanted = question.shown[0]!
  const recipe = { ...mix, doses: doses.filter((one) => one.gPer100g > 0) }
  const look = useQuery({
    ...queries.look({ recipe, target: wanted.lab, pasteG: 100, light: 'daylight' }),
    placeholderData: keepPreviousData,
  })
  const rested = look.data?.ages.find((age) => age.age === 'rested')
  return (
    <div>
      <div className="flex">
        <figure>
          <Swatch colour={wanted} label={t('practice.wanted')} className="h-28 w-28 sm:w-40" />
          <figcaption className="text-xs">{t('practice.wanted')}</figcaption>
        </figure>
        <figure>
          {rested && <Swatch colour={rested.colour} label={t('practice.yours')} className="h-28 w-28 sm:w-40" />}
          <figcaption className="text-xs">{t('practice.yours')}</figcaption>
        </figure>
      </div>
      <div className="mt-3 space-y-2">
        {doses.map((one, at) => {
          // Twice what went in, and a little more, so that the middle is not the answer.
          const most = mix.doses[at]!.gPer100g * (2.2 + 0.3 * at)
          return (
            <label key={one.colourantId} className="block max-w-md text-sm">
              {t('practice.dose', { name: nameOf(one.colourantId) })}: {significant(one.gPer100g, 2)}
              <input
                type="range"
                className="range range-sm w-full"
                min={0}
                max={steps}
                value={Math.round((one.gPer100g / most) * steps)}
                disabled={isDone}
                onChange={(event) =>
                  setDoses(
                    doses.map((other, i) =>
                      i === at ? { ...other, gPer100g: (Number(event.target.value) / steps) * most } : other,
                    ),
                  )
                }
              />
            </label>
          )
        })}
      </div>
      {!isDone ? (
        <button
          className="border-surround-ink mt-3 min-h-12 cursor-pointer border px-4"
          disabled={!rested || look.isPlaceholderData}
          onClick={() => rested && onDone(rested.difference.deltaE)}
        >
          {t('practice.done')}
        </button>
      ) : (
        rested && (
          <p role="status" className="mt-3">
            {t('practice.left', {
              deltaE: deltaE(rested.difference.deltaE),
              mix: mix.doses.map((one) => `${nameOf(one.colourantId)} ${significant(one.gPer100g, 2)}`).join(', '),
            })}
          </p>
        )
      )}
    </div>
  )
}
