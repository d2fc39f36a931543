import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure } from '../../shared/Message'
import { useTranslation } from '../../shared/translation'

/** Of the demo alone: puts it back to how it is when new. */
export function DemoAnew() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const me = useQuery(queries.me()).data
  const reset = useMutation({
    mutationFn: () => answer(api.POST('/api/studio/demo/begin-anew')),
    onSuccess: () => client.invalidateQueries(),
  })
  if (!me?.isDemo || me.role !== 'owner') return null
  return (
    <section aria-labelledby="demo-anew" className="border-base-300 mt-8 border-t pt-4">
      <h2 id="demo-anew" className="font-semibold">
        {t('demo.title')}
      </h2>
      <p className="quiet mb-2 max-w-prose text-sm">{t('demo.help')}</p>
      <ConfirmButton label={t('demo.anew')} question={t('demo.ask')} onYes={() => reset.mutate()} />
      {reset.isSuccess && (
        <p role="status" className="mt-2 text-sm">
          {t('demo.done')}
        </p>
      )}
      <Failure error={reset.error} nameOf={(id) => id} />
    </section>
  )
}
