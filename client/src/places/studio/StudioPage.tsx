import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { Studio } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { SaveStudioRequestLimits } from '../../api/limits'
import { isClash } from '../../core/RequestFailed'
import { aside, queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { DemoAnew } from './DemoAnew'
import { ClashChoice } from '../../shared/ClashChoice'
import { Reading, Unreadable, WholeFailure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { PageTitle } from '../../shared/PageTitle'
import { CurrencySelect, LanguageSelect, TimeZoneSelect } from '../../shared/StudioSelects'
import { hasFields } from '../../core/Kept'
import { Term } from '../../shared/Term'
import { TextField } from '../../shared/TextField'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'
import { HolesField } from './HolesField'

/** Whose studio it is, and how it measures: units, scale, and how near a leftover has to be. */
export function StudioPage() {
  const { t } = useTranslation()
  const studio = useQuery(queries.studio())
  if (!studio.data) {
    return studio.error ? <Unreadable error={studio.error} retry={() => void studio.refetch()} /> : <Reading />
  }
  return (
    <main className="mx-auto w-full max-w-3xl px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('frame.studio')} />
      <p className="quiet mt-1 max-w-prose text-sm">{t('studio.help')}</p>
      <OpenStudio key={studio.data.version} kept={studio.data} />
      <DemoAnew />
    </main>
  )
}

function OpenStudio({ kept }: { kept: Studio }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const {
    value: draft,
    isChanged,
    set,
    drop,
  } = useKept(
    'studio',
    kept,
    (value): value is Studio =>
      hasFields(value, 'name', 'currency', 'language', 'measures', 'scaleG', 'leftoverDeltaE', 'holesMm', 'version') &&
      (value as Studio).version === kept.version,
  )
  const setDraft = (change: Partial<Studio>) => set({ ...draft, ...change })
  const save = useMutation({
    mutationFn: ({ version, ...body }: Studio) => answer(api.PUT('/api/studio', { headers: madeFrom(version), body })),
    // Everything that is planned hangs on it.
    onSuccess: (saved) => {
      drop(saved)
      return client.invalidateQueries()
    },
  })
  const clashes = isClash(save.error)
  const problemAt = useProblems([save.error])
  const theirs = () => client.fetchQuery({ ...queries.studio(), staleTime: 0 })
  return (
    <form
      className="mt-4 space-y-5"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate(draft)
      }}
    >
      <div className="flex flex-wrap items-start gap-4">
        <TextField
          label={t('studio.name')}
          value={draft.name}
          most={SaveStudioRequestLimits.name.maxLength}
          problem={problemAt('name')}
          className="w-64"
          onChange={(name) => setDraft({ name })}
        />
        <TextField
          label={t('studio.maker')}
          value={draft.maker}
          most={SaveStudioRequestLimits.maker.maxLength}
          problem={problemAt('maker')}
          className="w-56"
          onChange={(maker) => setDraft({ maker })}
        />
      </div>
      <div className="flex flex-wrap items-start gap-4">
        <CurrencySelect value={draft.currency} onChoose={(currency) => setDraft({ currency })} />
        <TimeZoneSelect value={draft.timeZone} onChoose={(timeZone) => setDraft({ timeZone })} />
      </div>
      <LanguageSelect value={draft.language} onChoose={(language) => setDraft({ language })} />
      <Choice
        legend={t('measuring.measures')}
        options={(['metric', 'imperial'] as const).map((value) => ({ value, label: t(`measuring.${value}`) }))}
        chosen={draft.measures}
        onChoose={(measures) => setDraft({ measures })}
      />
      <div>
        <NumberField
          label={t('measuring.scale')}
          value={draft.scaleG}
          unit="g"
          problem={problemAt('scaleG')}
          onChange={(scaleG) => setDraft({ scaleG })}
        />
        <p className="quiet mt-1 max-w-prose text-sm">{t('measuring.scaleHelp')}</p>
      </div>
      <div>
        <NumberField
          label={
            <>
              {t('measuring.leftover')} (<Term name="deltaE" />)
            </>
          }
          value={draft.leftoverDeltaE}
          problem={problemAt('leftoverDeltaE')}
          onChange={(leftoverDeltaE) => setDraft({ leftoverDeltaE })}
        />
        <p className="quiet mt-1 max-w-prose text-sm">{t('measuring.leftoverHelp')}</p>
      </div>
      <div>
        <HolesField
          holesMm={draft.holesMm}
          problem={problemAt('holesMm')}
          onChange={(holesMm) => setDraft({ holesMm })}
        />
        <p className="quiet mt-1 max-w-prose text-sm">{t('measuring.holesHelp')}</p>
      </div>
      <div className="flex items-center gap-4">
        <button className="btn btn-primary btn-sm" disabled={!isChanged || save.isPending}>
          {t('measuring.save')}
        </button>
        {save.isSuccess && !isChanged && (
          <span role="status" className="quiet text-sm">
            {t('save.saved')}
          </span>
        )}
      </div>
      {clashes ? (
        <ClashChoice
          onTheirs={() =>
            void theirs()
              .then(drop)
              .then(() => save.reset())
          }
          onMine={() =>
            void client.fetchQuery(aside(queries.studio())).then(({ version }) => save.mutate({ ...draft, version }))
          }
        />
      ) : (
        <WholeFailure error={save.error} kept />
      )}
    </form>
  )
}
