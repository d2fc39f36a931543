import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from 'react-i18next'
import type { Measuring } from '../../api/api'
import { answer, api, RequestFailed } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { ClashChoice } from '../../shared/ClashChoice'
import { Failure, Reading, Unreadable } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { hasFields } from '../../shared/stored'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'

/** How the studio measures: units, scale, and how near a leftover has to be. */
export function MeasuringPage() {
  const measuring = useQuery(queries.measuring())
  if (!measuring.data) {
    return measuring.error ? <Unreadable error={measuring.error} retry={() => void measuring.refetch()} /> : <Reading />
  }
  return <OpenMeasuring key={measuring.data.version} kept={measuring.data} />
}

function OpenMeasuring({ kept }: { kept: Measuring }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const {
    value: draft,
    set: setDraft,
    drop,
  } = useKept(
    'measuring',
    kept,
    (value): value is Measuring =>
      hasFields(value, 'measures', 'scaleG', 'leftoverDeltaE', 'version') &&
      (value as Measuring).version === kept.version,
  )
  const save = useMutation({
    mutationFn: (body: Measuring) => answer(api.PUT('/api/measuring', { body })),
    // Everything that is planned hangs on it.
    onSuccess: (saved) => {
      drop(saved)
      return client.invalidateQueries()
    },
  })
  const failed = save.error instanceof RequestFailed ? save.error : null
  const clashes = failed?.code === 'changedElsewhere'
  const problemAt = useProblems([save.error])
  const theirs = () => client.fetchQuery({ ...queries.measuring(), staleTime: 0 })
  const isChanged = JSON.stringify(draft) !== JSON.stringify(kept)
  return (
    <main className="mx-auto w-full max-w-3xl px-4 pt-5 pb-10 lg:px-6">
      <h1 className="name text-3xl">{t('measuring.title')}</h1>
      <p className="quiet mt-1 max-w-prose text-sm">{t('measuring.help')}</p>
      <form
        className="mt-4 space-y-5"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate(draft)
        }}
      >
        <Choice
          legend={t('measuring.measures')}
          options={(['metric', 'imperial'] as const).map((value) => ({ value, label: t(`measuring.${value}`) }))}
          chosen={draft.measures}
          onChoose={(measures) => setDraft({ ...draft, measures })}
        />
        <div>
          <NumberField
            label={t('measuring.scale')}
            value={draft.scaleG}
            unit="g"
            problem={problemAt('scaleG')}
            onChange={(scaleG) => setDraft({ ...draft, scaleG })}
          />
          <p className="quiet mt-1 max-w-prose text-sm">{t('measuring.scaleHelp')}</p>
        </div>
        <div>
          <NumberField
            label={t('measuring.leftover')}
            value={draft.leftoverDeltaE}
            problem={problemAt('leftoverDeltaE')}
            onChange={(leftoverDeltaE) => setDraft({ ...draft, leftoverDeltaE })}
          />
          <p className="quiet mt-1 max-w-prose text-sm">{t('measuring.leftoverHelp')}</p>
        </div>
        <div className="flex items-center gap-4">
          <button className="btn btn-primary btn-sm" disabled={!isChanged || save.isPending}>
            {t('measuring.save')}
          </button>
        </div>
        {clashes ? (
          <ClashChoice
            onTheirs={() =>
              void theirs()
                .then(drop)
                .then(() => save.reset())
            }
            onMine={() => void theirs().then(({ version }) => save.mutate({ ...draft, version }))}
          />
        ) : (
          <Failure error={save.error} nameOf={(id) => id} />
        )}
      </form>
    </main>
  )
}
