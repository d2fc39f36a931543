import { useTranslation } from './translation'

type Caution = 'gloves' | 'dustInTheAir' | 'steam' | 'fumes' | 'bladesAndWire' | 'decorativeOnly'

/** What to take care of, at the foot of a sheet. */
export function Cautions({ of }: { of: readonly Caution[] }) {
  const { t } = useTranslation()
  return (
    <section className="mt-6 break-inside-avoid text-sm print:mt-2">
      <h2 className="font-semibold">{t('caution.title')}</h2>
      <ul className="mt-1 list-disc pl-5">
        {of.map((caution) => (
          <li key={caution}>{t(`caution.${caution}`)}</li>
        ))}
      </ul>
      <p className="quiet mt-2">{t('caution.defer')}</p>
    </section>
  )
}
