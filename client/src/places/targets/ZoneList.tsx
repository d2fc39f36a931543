import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { Finish, Plan, Preview, Zone } from '../../api/api'
import { answer, api, zones } from '../../api/api'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { Swatch } from '../../shared/Swatch'
import { colourName } from '../../shared/words'
import { finishes } from '../flower/TargetEditor'
import type { ChangeTargets } from './changeTargets'
import { Term } from '../../shared/Term'

const whorl = 7

/** The zones of a piece with their targets; one of them is being chosen. Below, how its pieces would differ. */
export function ZoneList({
  plan,
  preview,
  zone,
  onZone,
  onChange,
}: {
  plan: Plan
  preview: Preview
  zone: Zone
  onZone: (zone: Zone) => void
  onChange: ChangeTargets
}) {
  const { t } = useTranslation()
  const target = plan.targets[zone]!
  const pieces = useQuery({
    queryKey: ['whorl', target],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/targets/whorl', { body: { target, pieces: whorl, seed: 1 }, signal })),
    placeholderData: keepPreviousData,
    retry: false,
  })
  return (
    <>
      <ul className="surround" aria-label={t('targets.zones')}>
        {zones.map((one) => {
          const view = preview.zones.find((other) => other.zone === one)
          if (!view) return null
          const isChosen = one === zone
          return (
            <li key={one}>
              <button
                className={`flex w-full cursor-pointer items-center gap-3 px-4 py-2 text-left text-sm ${isChosen ? 'outline-2 -outline-offset-2' : ''}`}
                aria-pressed={isChosen}
                onClick={() => onZone(one)}
              >
                <Swatch colour={view.target} label={t(`zone.${one}`)} className="h-12 w-20" />
                <span>
                  <span className={isChosen ? 'font-bold underline underline-offset-4' : 'font-semibold'}>
                    {t(`zone.${one}`)}
                  </span>
                  <span className="block text-xs">{colourName(t, view.target)}</span>
                  <span className="block text-xs">{t(`finish.${plan.targets[one]!.finish}`)}</span>
                </span>
              </button>
            </li>
          )
        })}
      </ul>
      <div className="flex flex-wrap items-end gap-4 px-4 pt-3">
        <NumberField
          key={zone}
          label={<Term name="spread">{t('target.spread')}</Term>}
          value={target.spread}
          unit={t('targets.spreadUnit')}
          onChange={(spread) => onChange({ [zone]: { spread } })}
        />
        <SelectField
          label={t('target.finish')}
          value={target.finish}
          options={finishes.map((finish) => ({ value: finish, label: t(`finish.${finish}`) }))}
          onChoose={(finish) => onChange({ [zone]: { finish: finish as Finish } })}
        />
      </div>
      {pieces.data && (
        <figure className="px-4 py-3 text-xs">
          <div className="surround flex p-3">
            {pieces.data.map((colour, i) => (
              <Swatch
                key={i}
                colour={colour}
                label={t('targets.petal', { number: i + 1 })}
                className="h-10 min-w-0 grow rounded-t-full"
              />
            ))}
          </div>
          <figcaption className="pt-1">{t('targets.whorl', { count: whorl })}</figcaption>
        </figure>
      )}
    </>
  )
}
