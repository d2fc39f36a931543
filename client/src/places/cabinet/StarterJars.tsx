import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { answer, api } from '../../api/api'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure } from '../../shared/Message'
import { PutInStarterJars } from '../../shared/PutInStarterJars'

/** The invented jars that came with the product: out together when one's own are there, and in again. */
export function StarterJars() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [said, setSaid] = useState('')
  const takeOut = useMutation({
    mutationFn: () => answer(api.DELETE('/api/materials/starter')),
    onSuccess: ({ changed, inUse }) => {
      const stayed = inUse > 0 ? t('starterCabinet.stayed', { count: inUse }) : ''
      setSaid(`${t('starterCabinet.wentOut', { count: changed })} ${stayed}`)
      return client.invalidateQueries()
    },
  })
  return (
    <section aria-labelledby="starter-jars" className="border-base-300 border-t px-4 pt-4 lg:px-6">
      <h2 id="starter-jars" className="font-semibold">
        {t('starterCabinet.title')}
      </h2>
      <p className="quiet max-w-prose text-sm">{t('starterCabinet.help')}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        <PutInStarterJars onDone={(count) => setSaid(t('starterCabinet.cameIn', { count }))} />
        <ConfirmButton
          label={t('starterCabinet.out')}
          question={t('starterCabinet.ask')}
          onYes={() => takeOut.mutate()}
        />
      </div>
      <p role="status" className="mt-1 text-sm">
        {said}
      </p>
      <Failure error={takeOut.error} nameOf={(id) => id} />
    </section>
  )
}
