import { TriangleAlert } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Advice, Plan, Preview, Zone } from '../../api/api'
import { AcknowledgedAdviceLimits } from '../../api/limits'
import { TextArea } from '../../shared/TextArea'
import type { NameOf } from '../../shared/words'
import { coatName } from './coatWords'
import { keepOnPurpose, lookAgain } from './planEdits'
import { inSentence } from '../../shared/inSentence'

/** Also found by rule, where no zone can be named. */
const seen = { hardLine: 'advice.hardLineAt', dustNotCut: 'advice.dustNotCutAt' } as const

/** What will be regretted, each with its reason: to be mended at a press where that is clear, or kept on purpose. */
export function AdviceList({
  advice,
  plan,
  preview,
  nameOf,
  zoneName,
  onPlan,
  onMend,
}: {
  advice: Advice[]
  plan: Plan
  preview: Preview
  nameOf: NameOf
  zoneName: (zone: Zone) => string
  onPlan: (plan: Plan) => void
  /** The server has mended the plan that it was asked about. */
  onMend: (plan: Plan) => void
}) {
  const { t } = useTranslation()
  const open = advice.filter((one) => one.onPurpose === null)
  const kept = advice.filter((one) => one.onPurpose !== null)
  const words = (one: Advice) => {
    const coat = plan.coats.find((c) => c.id === one.coatId)
    const view = preview.coats.find((c) => c.id === one.coatId)
    // What was found by looking at a zone says where it is seen.
    return t(one.zone && one.code in seen ? seen[one.code as keyof typeof seen] : `advice.${one.code}`, {
      coat: coat ? coatName(t, coat, view, nameOf) : '',
      material: one.materialId ? nameOf(one.materialId) : '',
      zone: one.zone ? inSentence(zoneName(one.zone)) : '',
    })
  }
  return (
    <>
      <ul className="mt-1 space-y-2">
        {open.map((one) => (
          <Open
            key={`${one.code} ${one.coatId} ${one.materialId} ${one.zone}`}
            one={one}
            words={words(one)}
            plan={plan}
            onPlan={onPlan}
            onMend={onMend}
          />
        ))}
      </ul>
      {kept.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">{t('advice.keptTitle')}</h3>
          <ul className="quiet mt-1 space-y-1">
            {kept.map((one) => (
              <li key={`${one.code} ${one.coatId} ${one.materialId} ${one.zone}`}>
                {words(one)} {one.onPurpose && <strong>{one.onPurpose}</strong>}{' '}
                <button className="act min-h-6" onClick={() => onPlan(lookAgain(plan, one))}>
                  {t('advice.lookAgain')}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  )
}

function Open({
  one,
  words,
  plan,
  onPlan,
  onMend,
}: {
  one: Advice
  words: string
  plan: Plan
  onPlan: (plan: Plan) => void
  onMend: (plan: Plan) => void
}) {
  const { t } = useTranslation()
  const [note, setNote] = useState<string | null>(null)
  const { fixed } = one
  return (
    <li className="flex items-start gap-1">
      <TriangleAlert size={15} aria-hidden className="mt-0.5 shrink-0" />
      <div className="min-w-0 grow">
        {words}{' '}
        {fixed && (
          <button className="act min-h-6" onClick={() => onMend(fixed)}>
            {t('advice.fix')}
          </button>
        )}
        {one.coatId && note === null && (
          <>
            {' '}
            <button className="act min-h-6" onClick={() => setNote('')}>
              {t('advice.keep')}
            </button>
          </>
        )}
        {note !== null && (
          <div className="mt-1">
            <TextArea
              label={t('advice.why')}
              value={note}
              onChange={(text) => setNote(text.slice(0, AcknowledgedAdviceLimits.note.maxLength))}
            />
            <button className="btn btn-xs mt-1" onClick={() => onPlan(keepOnPurpose(plan, one, note.trim()))}>
              {t('advice.keepIt')}
            </button>
          </div>
        )}
      </div>
    </li>
  )
}
