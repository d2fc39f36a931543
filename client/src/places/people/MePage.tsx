import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'wouter'
import type { Me } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { MeSaveRequestLimits } from '../../api/limits'
import { aside, queries } from '../../api/queries'
import { isClash, RequestFailed } from '../../core/RequestFailed'
import { nameOfLanguage } from '../../shared/catalogue'
import { ClashChoice } from '../../shared/ClashChoice'
import { Failure, NotThere, WholeFailure } from '../../shared/Message'
import { NewPassword } from '../../shared/NewPassword'
import { PageTitle } from '../../shared/PageTitle'
import { SelectField } from '../../shared/SelectField'
import { languageOptions, timeZoneOptions } from '../../shared/StudioSelects'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'
import { useWentOut } from '../../shared/useCameIn'
import { useProblems } from '../../shared/useProblems'

/** Whoever has signed in: her name, how she sees the pages, her password, and the way out. */
export function MePage() {
  const me = useQuery(queries.me())
  return me.data ? <Open key={me.data.version} kept={me.data} /> : <NotThere of={[me]} />
}

/** In a list, for what has no choice of its own. */
const asElse = ''

function Open({ kept }: { kept: Me }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [draft, setDraft] = useState(kept)
  const prefer = (preferences: Partial<Me['preferences']>) =>
    setDraft({ ...draft, preferences: { ...draft.preferences, ...preferences } })
  const save = useMutation({
    mutationFn: ({ version, name, preferences }: Me) =>
      answer(api.PUT('/api/me', { headers: madeFrom(version), body: { name, preferences } })),
    onSuccess: (saved) => client.setQueryData(queries.me().queryKey, saved),
  })
  const problemAt = useProblems([save.error])
  const { preferences } = draft
  const asStudio = { value: asElse, label: t('people.asStudio') }
  return (
    <main className="mx-auto w-full max-w-3xl px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('people.me')} />
      <p className="quiet mt-1 text-sm">
        {t('people.signedInAs', {
          name: kept.signInName,
          role: t(`people.roleWord.${kept.role}`),
          studio: kept.studioName,
        })}
      </p>
      <form
        className="mt-4 space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate(draft)
        }}
      >
        <TextField
          label={t('code.name')}
          value={draft.name}
          most={MeSaveRequestLimits.name.maxLength}
          problem={problemAt('name')}
          className="w-64"
          onChange={(name) => setDraft({ ...draft, name })}
        />
        <div className="flex flex-wrap items-start gap-4">
          <SelectField
            label={t('studio.language')}
            value={preferences.language ?? asElse}
            options={[
              { value: asElse, label: t('people.asStudioIs', { what: nameOfLanguage(kept.studioLanguage) }) },
              ...languageOptions(),
            ]}
            onChoose={(value) => prefer({ language: value || null })}
          />
          <SelectField
            label={t('people.units')}
            value={preferences.measures ?? asElse}
            options={[
              asStudio,
              ...(['metric', 'imperial'] as const).map((value) => ({ value, label: t(`measuring.${value}`) })),
            ]}
            onChoose={(value) => prefer({ measures: (value || null) as Me['preferences']['measures'] })}
          />
          <SelectField
            label={t('studio.timeZone')}
            value={preferences.timeZone ?? asElse}
            options={[asStudio, ...timeZoneOptions(preferences.timeZone ?? 'UTC')]}
            onChoose={(value) => prefer({ timeZone: value || null })}
          />
          <SelectField
            label={t('people.theme')}
            value={preferences.theme ?? asElse}
            options={[
              { value: asElse, label: t('people.asBrowser') },
              ...(['light', 'dark'] as const).map((value) => ({ value, label: t(`frame.theme.${value}`) })),
            ]}
            onChoose={(value) => prefer({ theme: (value || null) as Me['preferences']['theme'] })}
          />
        </div>
        <div className="flex items-center gap-4">
          <button className="btn btn-primary btn-sm" disabled={save.isPending}>
            {t('measuring.save')}
          </button>
          {save.isSuccess && (
            <span role="status" className="quiet text-sm">
              {t('save.saved')}
            </span>
          )}
        </div>
        {isClash(save.error) ? (
          <ClashChoice
            onTheirs={() => void client.invalidateQueries({ queryKey: queries.me().queryKey })}
            onMine={() =>
              void client.fetchQuery(aside(queries.me())).then(({ version }) => save.mutate({ ...draft, version }))
            }
          />
        ) : (
          <WholeFailure error={save.error} kept />
        )}
      </form>
      {!kept.isDemo && <Password />}
      <Out />
      {kept.role === 'owner' && (
        <p className="mt-6 text-sm">
          <Link className="act" to="/people">
            {t('people.toPeople')}
          </Link>
        </p>
      )}
    </main>
  )
}

function Password() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [old, setOld] = useState('')
  const [password, setPassword] = useState('')
  const set = useMutation({
    mutationFn: () => answer(api.PUT('/api/me/password', { body: { old, password } })),
    onSuccess: () => {
      setOld('')
      setPassword('')
      return client.invalidateQueries({ queryKey: queries.me().queryKey })
    },
  })
  const problemAt = useProblems([set.error])
  return (
    <section aria-labelledby="my-password" className="border-base-300 mt-8 border-t pt-4">
      <h2 id="my-password" className="font-semibold">
        {t('people.password')}
      </h2>
      <form
        className="mt-2 space-y-3"
        onSubmit={(event) => {
          event.preventDefault()
          set.mutate()
        }}
      >
        <TextField
          label={t('people.oldPassword')}
          type="password"
          value={old}
          problem={problemAt('old')}
          autoComplete="current-password"
          className="w-64"
          onChange={setOld}
        />
        <NewPassword value={password} problem={problemAt('password')} className="w-64" onChange={setPassword} />
        <button className="btn btn-sm" disabled={set.isPending || !old || !password}>
          {t('people.setPassword')}
        </button>
        {set.isSuccess && (
          <span role="status" className="quiet ml-4 text-sm">
            {t('people.passwordSet')}
          </span>
        )}
        {!(set.error instanceof RequestFailed && set.error.problems.some((one) => one.code !== 'waitSeconds')) && (
          <Failure error={set.error} nameOf={(id) => id} />
        )}
      </form>
    </section>
  )
}

function Out() {
  const { t } = useTranslation()
  const wentOut = useWentOut()
  const out = useMutation({
    mutationFn: (everywhere: boolean) => answer(api.POST('/api/door/sign-out', { body: { everywhere } })),
    onSuccess: wentOut,
  })
  return (
    <section aria-labelledby="sign-out" className="border-base-300 mt-8 border-t pt-4">
      <h2 id="sign-out" className="font-semibold">
        {t('people.goOut')}
      </h2>
      <div className="mt-2 flex flex-wrap gap-3">
        <button className="btn btn-sm" disabled={out.isPending} onClick={() => out.mutate(false)}>
          {t('people.signOut')}
        </button>
        <button className="btn btn-sm" disabled={out.isPending} onClick={() => out.mutate(true)}>
          {t('people.signOutEverywhere')}
        </button>
      </div>
      <p className="quiet mt-2 max-w-prose text-sm">{t('people.signOutHelp')}</p>
      <Failure error={out.error} nameOf={(id) => id} />
    </section>
  )
}
