import { useTranslation } from '../../shared/translation'
import { PageTitle } from '../../shared/PageTitle'
import { termNames } from '../../shared/terms'

/** The words of the trade, all together. */
export function GlossaryPage() {
  const { t, language } = useTranslation()
  const terms = termNames
    .map((name) => ({ name, word: t(`term.${name}.name`), means: t(`term.${name}.means`) }))
    .sort((one, other) => one.word.localeCompare(other.word, language))
  return (
    <main className="w-full max-w-3xl px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('glossary.title')} />
      <p className="quiet mt-1 max-w-prose text-sm">{t('glossary.help')}</p>
      <dl className="mt-3">
        {terms.map(({ name, word, means }) => (
          <div key={name} id={name} className="border-base-300 border-t py-2 sm:grid sm:grid-cols-[10rem_1fr]">
            <dt className="font-semibold">{word}</dt>
            <dd>{means}</dd>
          </div>
        ))}
      </dl>
    </main>
  )
}
