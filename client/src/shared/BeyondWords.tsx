import { useTranslation } from './translation'
import type { Beyond } from '../api/api'
import { InlineSwatch } from './Swatch'
import type { NameOf } from './words'
import { deltaE, differenceWords } from './words'
import { significant } from './numbers'

/** What dust and glaze can do where paste ends, as one sentence. */
export function BeyondWords({ beyond, nameOf }: { beyond: Beyond; nameOf: NameOf }) {
  const { t } = useTranslation()
  const steps = [
    t('mixing.beyond.paste', {
      paste: beyond.paste.doses
        .map((dose) => `${nameOf(dose.colourantId)} ${t('unit.g', { value: significant(dose.gPer100g, 2) })}`)
        .join(', '),
    }),
    ...beyond.passes.map((pass) =>
      t('mixing.beyond.dust', { dust: nameOf(pass.dustId), load: t(`load.${pass.word}`) }),
    ),
    ...(beyond.passes.length > 0 ? [t('mixing.beyond.steam')] : []),
    ...(beyond.glazeId ? [t('mixing.beyond.glaze', { glaze: nameOf(beyond.glazeId) })] : []),
  ]
  return (
    <>
      {t(beyond.passes.length > 0 ? 'mixing.beyond.dustCan' : 'mixing.beyond.glazeCan', {
        steps: steps.join(', '),
        difference: differenceWords(t, beyond.difference),
        deltaE: deltaE(beyond.difference.deltaE),
      })}{' '}
      <InlineSwatch colour={beyond.colour} />
    </>
  )
}
