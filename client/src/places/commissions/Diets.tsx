import { useTranslation } from '../../shared/translation'
import type { Diet } from '../../api/api'
import { diets } from '../../shared/diets'

/** What everything in a commission must suit: plans say so when they do not, and the planner keeps to it. */
export function Diets({ chosen, onChange }: { chosen: Diet[]; onChange: (diets: Diet[]) => void }) {
  const { t } = useTranslation()
  return (
    <fieldset>
      <legend className="quiet text-xs">{t('commission.suits')}</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1 py-1 text-sm">
        {diets.map((diet) => (
          <label key={diet} className="flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={chosen.includes(diet)}
              onChange={(event) =>
                onChange(event.target.checked ? [...chosen, diet] : chosen.filter((one) => one !== diet))
              }
            />
            {t(`diet.${diet}`)}
          </label>
        ))}
      </div>
      <p className="quiet text-xs">{t('mixing.filter.help')}</p>
    </fieldset>
  )
}
