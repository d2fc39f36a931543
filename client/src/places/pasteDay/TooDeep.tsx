import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { BatchPart } from '../../api/api'
import { queries } from '../../api/queries'
import { DepthWays } from '../../shared/DepthWays'
import { Failure, Problem } from '../../shared/Message'
import type { NameOf } from '../../shared/words'

/** A paste that holds more colour than it takes, and the other ways to its depth. */
export function TooDeep({ part, nameOf }: { part: BatchPart; nameOf: NameOf }) {
  const { t } = useTranslation()
  const [isAsked, setIsAsked] = useState(false)
  const { recipe, colour, batch } = part
  const look = useQuery({
    ...queries.look({ recipe, target: colour.lab, pasteG: batch.pasteG, light: 'daylight' }),
    enabled: isAsked,
  })
  return (
    <div className="text-sm">
      <Problem>
        {t('pasteDay.tooDeep.title')}{' '}
        {!isAsked && (
          <button className="act min-h-6 print:hidden" onClick={() => setIsAsked(true)}>
            {t('pasteDay.tooDeep.ways')}
          </button>
        )}
      </Problem>
      {look.data && <DepthWays ways={look.data.alternatives} nameOf={nameOf} />}
      {look.data?.alternatives.length === 0 && <p role="status">{t('pasteDay.tooDeep.none')}</p>}
      <Failure error={look.error} nameOf={nameOf} />
    </div>
  )
}
