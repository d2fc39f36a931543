import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from 'react-i18next'
import { answer, api } from '../../api/api'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure } from '../../shared/Message'

/** The invented jars that came with the product: out together when one's own are there, and in again. */
export function StarterJars() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const readAgain = () => client.invalidateQueries()
  const putIn = useMutation({ mutationFn: () => answer(api.POST('/api/materials/starter')), onSuccess: readAgain })
  const takeOut = useMutation({ mutationFn: () => answer(api.DELETE('/api/materials/starter')), onSuccess: readAgain })
  return (
    <section aria-labelledby="starter-jars" className="border-base-300 border-t px-4 pt-4 lg:px-6">
      <h2 id="starter-jars" className="font-semibold">
        {t('starterJars.title')}
      </h2>
      <p className="quiet max-w-prose text-sm">{t('starterJars.help')}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        <button className="btn btn-sm" disabled={putIn.isPending} onClick={() => putIn.mutate()}>
          {t('starterJars.in')}
        </button>
        <ConfirmButton
          label={t('starterJars.out')}
          question={t('starterJars.ask')}
          onYes={() => {
            putIn.reset()
            takeOut.mutate()
          }}
        />
      </div>
      <p role="status" className="mt-1 text-sm">
        {putIn.isSuccess && t('starterJars.cameIn', { count: putIn.data.changed })}
        {takeOut.isSuccess && !putIn.isSuccess && (
          <>
            {t('starterJars.wentOut', { count: takeOut.data.changed })}{' '}
            {takeOut.data.inUse > 0 && t('starterJars.stayed', { count: takeOut.data.inUse })}
          </>
        )}
      </p>
      <Failure error={putIn.error ?? takeOut.error} nameOf={(id) => id} />
    </section>
  )
}
