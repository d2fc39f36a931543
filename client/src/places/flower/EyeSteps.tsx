import { keepPreviousData, useQuery } from '@tanstack/react-query'
import type { ColourView } from '../../api/api'
import { answer, api } from '../../api/api'
import { Swatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'

/** About so many steps there are: their places are kept free while they are read, so that nothing moves away under a pointer. */
const usualSteps = 15

/** A colour found by eye: from what was predicted, a touch or a shade at a time, beside it on the neutral ground. */
export function EyeSteps({
  predicted,
  actual,
  onChange,
}: {
  predicted: ColourView
  actual: ColourView | null
  onChange: (colour: ColourView) => void
}) {
  const { t } = useTranslation()
  const now = actual ?? predicted
  const { data } = useQuery({
    queryKey: ['picker', now.lab],
    queryFn: ({ signal }) => answer(api.POST('/api/colours/picker', { body: { colour: now.lab }, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  })
  return (
    <div className="basis-full">
      <p className="text-sm">
        {t('byEye.help')}{' '}
        <button type="button" className="act min-h-6 cursor-pointer" onClick={() => onChange(predicted)}>
          {t('byEye.from')}
        </button>
      </p>
      <ul className="surround mt-1 flex flex-wrap gap-3 p-3" aria-label={t('byEye.step')}>
        {!data && Array.from({ length: usualSteps }, (_, i) => <li key={i} aria-hidden className="h-13 w-24" />)}
        {data?.neighbours.map((one) => {
          const words = t(`difference.size.${one.size}`, { way: t(`difference.way.${one.way}`) })
          return (
            <li key={`${one.size} ${one.way}`}>
              <button type="button" className="cursor-pointer text-left text-xs" onClick={() => onChange(one.colour)}>
                <span className="flex">
                  <Swatch colour={now} className="h-9 w-12" />
                  <Swatch colour={one.colour} className="h-9 w-12" />
                </span>
                {words}
              </button>
            </li>
          )
        })}
      </ul>
    </div>
  )
}
