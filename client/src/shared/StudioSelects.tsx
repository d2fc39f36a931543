import { languages, nameOfLanguage } from './catalogue'
import { SelectField } from './SelectField'
import { useTranslation } from './translation'

interface Props {
  value: string
  onChoose: (value: string) => void
}

/** What this browser knows; the one that is kept is there in any case. */
const known = (what: 'currency' | 'timeZone', kept: string) =>
  [...new Set([kept, ...Intl.supportedValuesOf(what)])].sort()

export const timeZoneOptions = (kept: string) =>
  known('timeZone', kept).map((value) => ({ value, label: value.replaceAll('_', ' ') }))

export const languageOptions = () => languages.map((value) => ({ value, label: nameOfLanguage(value) }))

export function CurrencySelect({ value, onChoose }: Props) {
  const { t, language } = useTranslation()
  const nameOf = new Intl.DisplayNames(language, { type: 'currency' })
  return (
    <SelectField
      label={t('studio.currency')}
      value={value}
      options={known('currency', value).map((one) => ({ value: one, label: `${one}, ${nameOf.of(one)}` }))}
      onChoose={onChoose}
    />
  )
}

export function TimeZoneSelect({ value, onChoose }: Props) {
  const { t } = useTranslation()
  return <SelectField label={t('studio.timeZone')} value={value} options={timeZoneOptions(value)} onChoose={onChoose} />
}

export function LanguageSelect({ value, onChoose }: Props) {
  const { t } = useTranslation()
  return <SelectField label={t('studio.language')} value={value} options={languageOptions()} onChoose={onChoose} />
}
