import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Door } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure, NotThere } from '../../shared/Message'
import { PageTitle } from '../../shared/PageTitle'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'
import { useCameIn } from '../../shared/useCameIn'
import { BeginStudio } from './BeginStudio'
import { DoorFrame } from './DoorFrame'

/** What somebody sees who has not signed in: the way in, or, on a machine without a studio, how to begin one. */
export function DoorPage() {
  const { t } = useTranslation()
  const door = useQuery(queries.door())
  const [isBeginning, setBeginning] = useState<boolean | null>(null)
  if (!door.data) {
    return (
      <DoorFrame>
        <NotThere of={[door]} />
      </DoorFrame>
    )
  }
  // Where there is nothing to sign in to, a studio is begun.
  const begins = door.data.mayBegin && (isBeginning ?? !door.data.hasStudio)
  return (
    <DoorFrame>
      {begins ? <BeginStudio door={door.data} /> : <SignIn door={door.data} />}
      {door.data.mayBegin && door.data.hasStudio && (
        <p className="mt-6 text-sm">
          <button className="act min-h-6" onClick={() => setBeginning(!begins)}>
            {t(begins ? 'door.toSignIn' : 'door.toBegin')}
          </button>
        </p>
      )}
    </DoorFrame>
  )
}

function SignIn({ door }: { door: Door }) {
  const { t } = useTranslation()
  const cameIn = useCameIn()
  const [name, setName] = useState(door.demo?.name ?? '')
  const [password, setPassword] = useState(door.demo?.password ?? '')
  const signIn = useMutation({
    mutationFn: () => answer(api.POST('/api/door/sign-in', { body: { name, password } })),
    onSuccess: cameIn,
  })
  return (
    <>
      <PageTitle title={t('door.signIn')} />
      {door.demo && <p className="quiet mt-1 text-sm">{t('door.demo')}</p>}
      <form
        className="mt-4 space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          signIn.mutate()
        }}
      >
        <TextField label={t('door.name')} value={name} autoComplete="username" className="w-full" onChange={setName} />
        <TextField
          label={t('door.password')}
          type="password"
          value={password}
          autoComplete="current-password"
          className="w-full"
          onChange={setPassword}
        />
        <button className="btn btn-primary" disabled={signIn.isPending || !name.trim() || !password}>
          {t('door.comeIn')}
        </button>
        <Failure error={signIn.error} nameOf={(id) => id} />
      </form>
      <p className="quiet mt-6 text-sm">{t('door.forgotten')}</p>
    </>
  )
}
