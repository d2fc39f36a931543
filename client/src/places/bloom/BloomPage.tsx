import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useParams } from 'wouter'
import type { LightKind } from '../../api/api'
import { queries } from '../../api/queries'
import { lightKinds } from '../../shared/lights'
import { Reading, Unreadable } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { BloomPicture } from './BloomPicture'
import { MadePictures } from './MadePictures'
import { PageTitle } from '../../shared/PageTitle'

/** A flower from above, put together from its real pieces, and whorl by whorl. */
export function BloomPage() {
  const { flowerId = '' } = useParams()
  const { t } = useTranslation()
  const [light, setLight] = useState<LightKind>('daylight')
  const { data, error, refetch } = useQuery({ ...queries.bloom(flowerId, light), placeholderData: keepPreviousData })
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const whorls = data.kinds.filter((_, kind) => data.bloom.some((piece) => piece.kind === kind))
  return (
    <main className="flex w-full grow flex-col">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-1 px-4 py-3 lg:px-6">
        <div>
          <p className="text-xs">
            <Link className="act" to={`/flowers/${flowerId}`}>
              {data.name}
            </Link>
          </p>
          <PageTitle className="text-2xl" title={t('bloom.title', { flower: data.name })} />
        </div>
        <SelectField
          label={t('sides.seenIn')}
          value={light}
          options={lightKinds.map((value) => ({ value, label: t(`light.${value}`) }))}
          onChoose={(chosen) => setLight(chosen as LightKind)}
        />
        <p className="quiet max-w-prose text-sm">{t('bloom.help')}</p>
      </div>
      <div className="surround grid grow gap-6 p-4 lg:grid-cols-[minmax(0,1fr)_20rem] lg:p-6">
        <div className="flex flex-wrap items-start gap-6">
          {data.bloom.length > 0 ? (
            <BloomPicture
              bloom={data}
              sizePx={480}
              label={t('bloom.picture', { flower: data.name, light: t(`light.${light}`) })}
            />
          ) : (
            <p>{t('bloom.nothing')}</p>
          )}
          <MadePictures flowerId={flowerId} name={data.name} />
        </div>
        <section aria-label={t('bloom.whorls')}>
          <h2 className="font-semibold">{t('bloom.whorls')}</h2>
          <ul className="mt-2 grid grid-cols-2 gap-4">
            {whorls.map((kind) => (
              <li key={kind.pieceId}>
                <BloomPicture
                  bloom={data}
                  sizePx={132}
                  only={kind.pieceId}
                  label={t('bloom.whorl', { name: kind.name })}
                />
                <p className="text-sm font-semibold">{kind.name}</p>
                <p className="text-xs">
                  {t('bloom.count', { count: kind.perPart })}
                  {kind.overlap > 0 && ` · ${t('bloom.overlap', { percent: Math.round(100 * kind.overlap) })}`}
                </p>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </main>
  )
}
