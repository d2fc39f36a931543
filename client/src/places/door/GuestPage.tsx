import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { useParams } from 'wouter'
import type { LightKind } from '../../api/api'
import { queries } from '../../api/queries'
import { speak } from '../../shared/language'
import { lightKinds } from '../../shared/lights'
import { Reading } from '../../shared/Message'
import { PageTitle } from '../../shared/PageTitle'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'
import { dayWords, flowerCount, foodWords } from '../../shared/words'
import { BloomPicture } from '../bloom/BloomPicture'
import { SprayPicture } from '../bloom/SprayPicture'
import { DoorFrame } from './DoorFrame'

/** One commission for the client who ordered it, at a private address. */
export function GuestPage() {
  const { token = '' } = useParams()
  const { t } = useTranslation()
  const [light, setLight] = useState<LightKind>('daylight')
  const { data, error } = useQuery({ ...queries.guest(token, light), placeholderData: keepPreviousData })
  useEffect(() => {
    if (data) void speak(data.language)
  }, [data])
  if (!data) {
    return (
      <DoorFrame>
        {error ? (
          <>
            <PageTitle title={t('guest.gone')} />
            <p className="mt-2 text-sm">{t('guest.goneHelp')}</p>
          </>
        ) : (
          <Reading />
        )}
      </DoorFrame>
    )
  }
  return (
    <DoorFrame isWide>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="quiet text-sm">{t('guest.from', { studio: data.studioName })}</p>
          <PageTitle title={data.commissionName} />
          <p className="quiet text-sm">{t('guest.due', { day: dayWords(data.dueOn) })}</p>
        </div>
        <div className="print:hidden">
          <SelectField
            label={t('sides.seenIn')}
            value={light}
            options={lightKinds.map((value) => ({ value, label: t(`light.${value}`) }))}
            onChoose={(kind) => setLight(kind as LightKind)}
          />
        </div>
      </div>
      {data.spray.blooms.length > 0 && (
        <div className="surround mt-4 flex justify-center p-2">
          <SprayPicture
            answer={data}
            label={t('spray.picture', { flowers: data.flowers.map((one) => one.name).join(', ') })}
          />
        </div>
      )}
      <ul className="mt-4 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        {data.flowers.map((flower) => (
          <li key={flower.flowerId} className="break-inside-avoid">
            <div className="surround flex justify-center p-2">
              <BloomPicture bloom={flower} sizePx={240} label={flower.name} />
            </div>
            <h2 className="name mt-1 text-lg">{flower.name}</h2>
            <p className="quiet text-sm">{flowerCount(t, flower)}</p>
          </li>
        ))}
      </ul>
      <section aria-labelledby="card" className="border-base-300 mt-6 border-t pt-4 text-sm">
        <h2 id="card" className="font-semibold">
          {t('guest.card')}
        </h2>
        <p className="mt-1">{foodWords(t, data.food, (name) => name)}</p>
        <p className="quiet mt-2">{t('guest.care')}</p>
        <p className="quiet mt-2">{t('guest.colours')}</p>
      </section>
    </DoorFrame>
  )
}
