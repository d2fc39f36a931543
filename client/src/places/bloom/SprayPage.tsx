import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useParams } from 'wouter'
import type { LightKind } from '../../api/api'
import { queries } from '../../api/queries'
import { lightKinds } from '../../shared/lights'
import { NotThere } from '../../shared/Message'
import { NothingHere } from '../../shared/NothingHere'
import { SelectField } from '../../shared/SelectField'
import { PageTitle } from '../../shared/PageTitle'
import { SprayPicture } from './SprayPicture'

/** Flowers, buds and leaves of a commission as they lie together. */
export function SprayPage() {
  const { commissionId = '' } = useParams()
  const { t } = useTranslation()
  const commissions = useQuery(queries.commissions())
  const commission = commissions.data?.commissions.find((entry) => entry.commission.id === commissionId)?.commission
  const [chosen, setChosen] = useState<LightKind | null>(null)
  const light = chosen ?? commission?.light ?? 'daylight'
  const spray = useQuery({
    ...queries.spray(commissionId, light),
    placeholderData: keepPreviousData,
    enabled: commission !== undefined,
  })
  if (commissions.data && !commission) return <NothingHere />
  if (!spray.data || !commission) return <NotThere of={[spray, commissions]} />
  return (
    <main className="flex w-full grow flex-col">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-1 px-4 py-3 lg:px-6">
        <div>
          <p className="text-xs">
            <Link className="act" to="/commissions">
              {commission.name}
            </Link>
          </p>
          <PageTitle className="text-2xl" title={t('spray.title', { commission: commission.name })} />
        </div>
        <SelectField
          label={t('sides.seenIn')}
          value={light}
          options={lightKinds.map((value) => ({ value, label: t(`light.${value}`) }))}
          onChoose={(kind) => setChosen(kind as LightKind)}
        />
      </div>
      <div className="surround flex grow justify-center p-4">
        <SprayPicture
          answer={spray.data}
          label={t('spray.picture', { flowers: spray.data.flowers.map((one) => one.name).join(', ') })}
        />
      </div>
    </main>
  )
}
