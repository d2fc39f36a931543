import type { TFunction } from './translation'
import { useTranslation } from './translation'
import type { KeptBatch } from '../api/api'
import { Swatch } from './Swatch'
import { deltaE, differenceWords } from './words'

/** A batch beside what it should be. */
export function BatchLook({ batch }: { batch: KeptBatch }) {
  const { t } = useTranslation()
  return (
    <span className="border-surround flex border-4">
      <Swatch colour={batch.measured ?? batch.colour ?? batch.target} label={batch.name} className="h-8 w-7" />
      <Swatch colour={batch.target} label={t('finder.target')} className="h-8 w-5" />
    </span>
  )
}

/** "came out: a shade warm 4.2" */
export function batchVerdict(t: TFunction, batch: KeptBatch): string {
  return batch.difference
    ? t(batch.measured ? 'mixing.shelf.cameOut' : 'mixing.shelf.predicted', {
        difference: `${differenceWords(t, batch.difference)} ${deltaE(batch.difference.deltaE)}`,
      })
    : t('mixing.shelf.incomplete')
}
