import { useTranslation } from '../../shared/translation'
import type { BatchView } from '../../api/api'
import { LetDownSteps } from '../../shared/LetDownSteps'
import type { NameOf } from '../../shared/words'
import { deltaE, dose, grams, offWorthSaying } from '../../shared/words'

/** The colours of a batch of paste as a hand measures them. @param letDownsApart They are told elsewhere. */
export function PasteSteps({
  batch,
  nameOf,
  letDownsApart = false,
}: {
  batch: BatchView
  nameOf: NameOf
  letDownsApart?: boolean
}) {
  const { t } = useTranslation()
  return (
    <>
      <ul className={`text-sm ${letDownsApart ? 'flex flex-wrap gap-x-4' : ''}`}>
        {batch.colours.map((colour) => {
          const name = nameOf(colour.colourantId)
          return (
            <li key={colour.colourantId} title={t('step.exactly', { mass: grams(t, colour.grams) })}>
              {colour.letDown && colour.countedBesides > 0
                ? t(letDownsApart ? 'pastePlan.doseAndLetDownOf' : 'pastePlan.doseAndLetDown', {
                    dose: t(`dose.${colour.letDown.unit.kind}`, { count: colour.countedBesides }),
                    name,
                  })
                : colour.letDown && letDownsApart
                  ? t('pastePlan.letDownOf', { name })
                  : t('pastePlan.dose', { dose: dose(t, colour), name })}
              {colour.letDown && !letDownsApart && <LetDownSteps letDown={colour.letDown} name={name} />}
            </li>
          )
        })}
      </ul>
      {batch.roundingDeltaE > offWorthSaying && (
        <p className="text-sm">{t('step.pasteOff', { deltaE: deltaE(batch.roundingDeltaE) })}</p>
      )}
    </>
  )
}
