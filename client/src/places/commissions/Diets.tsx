import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from 'react-i18next'
import type { CommissionView, Diet } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { diets } from '../../shared/diets'

/** What everything in a commission must suit: plans say so when they do not, and the planner keeps to it. */
export function Diets({ commission }: { commission: CommissionView }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const save = useMutation({
    mutationFn: (suits: Diet[]) =>
      answer(api.PUT('/api/commissions/{id}/diets', { params: { path: { id: commission.id } }, body: { suits } })),
    onSettled: () => client.invalidateQueries({ queryKey: queries.commissions().queryKey }),
  })
  const chosen = save.isPending ? save.variables : commission.diets
  return (
    <details className="w-full text-sm">
      <summary className="quiet min-h-6 cursor-pointer">
        {chosen.length === 0
          ? t('commission.anyDiet')
          : t('commission.diets', { diets: chosen.map((diet) => t(`diet.${diet}`)).join(', ') })}
      </summary>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1 py-1">
        <legend className="sr-only">{t('commission.dietsOf', { name: commission.name })}</legend>
        {diets.map((diet) => (
          <label key={diet} className="flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={chosen.includes(diet)}
              onChange={(event) =>
                save.mutate(event.target.checked ? [...chosen, diet] : chosen.filter((one) => one !== diet))
              }
            />
            {t(`diet.${diet}`)}
          </label>
        ))}
      </fieldset>
      <p className="quiet text-xs">{t('mixing.filter.help')}</p>
      <Failure error={save.error} nameOf={(id) => id} />
    </details>
  )
}
