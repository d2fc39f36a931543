import { useState } from 'react'
import { useTranslation } from './translation'

/** A simulated device in the place of one that is not at hand, which says that it is one. */
export function PracticeDevice({
  device,
  isBusy,
  onUse,
}: {
  device: 'lightBox' | 'reader'
  isBusy: boolean
  /** @param take Counts, so that each reading has noise of its own. */
  onUse: (take: number) => void
}) {
  const { t } = useTranslation()
  const [take, setTake] = useState(1)
  return (
    <>
      <button
        type="button"
        className="btn btn-sm"
        disabled={isBusy}
        onClick={() => {
          setTake(take + 1)
          onUse(take)
        }}
      >
        {t(`bench.${device}`)}
      </button>
      <p className="quiet max-w-sm text-xs">{t('bench.help')}</p>
    </>
  )
}
