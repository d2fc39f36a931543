import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useLocation, useParams } from 'wouter'
import type { CodeView } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Reading, WholeFailure } from '../../shared/Message'
import { NewPassword } from '../../shared/NewPassword'
import { NewPerson } from '../../shared/NewPerson'
import { PageTitle } from '../../shared/PageTitle'
import { useTranslation } from '../../shared/translation'
import { useCameIn } from '../../shared/useCameIn'
import { useProblems } from '../../shared/useProblems'
import { DoorFrame } from './DoorFrame'

/** Where a one-time address leads: coming in as somebody new, a new password, or straight in. */
export function CodePage() {
  const { token = '' } = useParams()
  const { t } = useTranslation()
  const [, go] = useLocation()
  const code = useQuery(queries.code(token))
  return (
    <DoorFrame>
      {code.data ? (
        <Use code={code.data} token={token} />
      ) : code.error ? (
        <>
          <PageTitle title={t('code.gone')} />
          <p className="mt-2 text-sm">{t('code.goneHelp')}</p>
          <button className="btn mt-4" onClick={() => go('/')}>
            {t('code.toDoor')}
          </button>
        </>
      ) : (
        <Reading />
      )}
    </DoorFrame>
  )
}

function Use({ code, token }: { code: CodeView; token: string }) {
  const { t } = useTranslation()
  const [, go] = useLocation()
  const cameIn = useCameIn()
  const [name, setName] = useState(code.name)
  const [signInName, setSignInName] = useState(code.signInName)
  const [password, setPassword] = useState('')
  const use = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/door/codes/{token}', { params: { path: { token } }, body: { name, signInName, password } }),
      ),
    onSuccess: async () => {
      await cameIn()
      go('/', { replace: true })
    },
  })
  const problemAt = useProblems([use.error])
  return (
    <>
      <PageTitle title={t(`code.title.${code.kind}`, { studio: code.studioName })} />
      <p className="quiet mt-1 text-sm">
        {t(`code.help.${code.kind}`, { role: code.role ? t(`people.roleWord.${code.role}`) : '', name: code.name })}
      </p>
      <form
        className="mt-4 space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          use.mutate()
        }}
      >
        {code.kind === 'invite' && (
          <NewPerson
            label={t('code.name')}
            name={name}
            nameProblem={problemAt('name')}
            signInName={signInName}
            signInProblem={problemAt('signInName')}
            onName={setName}
            onSignInName={setSignInName}
          />
        )}
        {code.kind !== 'enter' && (
          <NewPassword value={password} problem={problemAt('password')} onChange={setPassword} />
        )}
        <button className="btn btn-primary" disabled={use.isPending}>
          {t('door.comeIn')}
        </button>
        <WholeFailure error={use.error} />
      </form>
    </>
  )
}
