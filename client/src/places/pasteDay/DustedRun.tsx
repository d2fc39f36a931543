import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { OmbrePlan } from '../../api/api'
import { answer, api } from '../../api/api'
import { Failure, Reading } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { deltaE, differenceWords } from '../../shared/words'

/** The same run by dust alone, on its palest paste: how far that gets. */
export function DustedRun({ flowerId, plan, nameOf }: { flowerId: string; plan: OmbrePlan; nameOf: NameOf }) {
  const { t } = useTranslation()
  const [asked, setAsked] = useState<OmbrePlan | null>(null)
  const { data, error } = useQuery({
    queryKey: ['ombre-dusted', flowerId, asked],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/flowers/{id}/ombre/dusted', { params: { path: { id: flowerId } }, body: asked!, signal })),
    enabled: asked !== null,
    staleTime: 60_000,
    retry: false,
  })
  const near = data?.filter((shade) => shade.isNear).length ?? 0
  return (
    <section aria-labelledby="dusted" className="border-base-300 border-t px-4 py-4 lg:px-6 print:hidden">
      <h2 id="dusted" className="name text-xl">
        {t('ombre.dusted.title')}
      </h2>
      <p className="quiet max-w-prose text-sm">{t('ombre.dusted.help')}</p>
      {asked !== plan && (
        <button className="btn btn-sm mt-2" onClick={() => setAsked(plan)}>
          {t('ombre.dusted.ask')}
        </button>
      )}
      {asked && !data && !error && <Reading />}
      <Failure error={error} nameOf={nameOf} />
      {data && (
        <div role="status">
          <p className="mt-2 text-sm font-semibold">{t('ombre.dusted.near', { near, all: data.length })}</p>
          <ol className="mt-1 grid gap-3 sm:grid-cols-3 lg:grid-cols-5">
            {data.map((shade, i) => (
              <li key={i} className="text-sm">
                <div className="surround p-3">
                  <Swatch
                    colour={shade.colour}
                    label={t('ombre.dusted.shade', { number: i + 1 })}
                    className="h-12 w-full"
                  />
                </div>
                <p className="font-semibold">
                  {t('ombre.shade', { number: i + 1 })}: {differenceWords(t, shade.difference)}{' '}
                  {deltaE(shade.difference.deltaE)}
                </p>
                <p className="quiet">
                  {shade.passes.length === 0
                    ? t('ombre.dusted.none')
                    : shade.passes.map((pass) => `${nameOf(pass.dustId)}, ${t(`load.${pass.word}`)}`).join('; ')}
                </p>
              </li>
            ))}
          </ol>
        </div>
      )}
    </section>
  )
}
