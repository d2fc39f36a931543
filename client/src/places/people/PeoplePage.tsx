import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Person, Role } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure, NotThere } from '../../shared/Message'
import { moment } from '../../shared/numbers'
import { PageTitle } from '../../shared/PageTitle'
import { SecretAddress } from '../../shared/SecretAddress'
import { useTranslation } from '../../shared/translation'
import { Trail } from './Trail'

const roles: Role[] = ['helper', 'maker', 'owner']

/** Who works in the studio, asking somebody in, and who changed what. */
export function PeoplePage() {
  const { t } = useTranslation()
  const people = useQuery(queries.people())
  if (!people.data) return <NotThere of={[people]} />
  return (
    <main className="mx-auto w-full max-w-3xl px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('people.title')} />
      <p className="quiet mt-1 max-w-prose text-sm">{t('people.help')}</p>
      <ul className="divide-base-300 mt-4 divide-y">
        {people.data.map((person) => (
          <One key={person.id} person={person} />
        ))}
      </ul>
      <Invite />
      <Trail />
    </main>
  )
}

function One({ person }: { person: Person }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const path = { id: person.id }
  const headers = madeFrom(person.version)
  const [told, setTold] = useState<string | null>(null)
  const onSettled = () => {
    void client.invalidateQueries({ queryKey: ['audit'] })
    return client.invalidateQueries({ queryKey: queries.people().queryKey })
  }
  const change = useMutation({
    mutationFn: (role: Role) => answer(api.PUT('/api/people/{id}/role', { params: { path }, headers, body: { role } })),
    onSettled,
  })
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/people/{id}', { params: { path }, headers })),
    onSettled,
  })
  const code = useMutation({
    mutationFn: () => answer(api.POST('/api/people/{id}/code', { params: { path } })),
    onSuccess: (made) => setTold(made.address),
  })
  const out = useMutation({ mutationFn: () => answer(api.POST('/api/people/{id}/sign-out', { params: { path } })) })
  const errors = [change.error, remove.error, code.error, out.error]
  return (
    <li className="py-4">
      <h2 className="font-semibold">
        {person.name}
        {person.isMe && <span className="quiet font-normal"> {t('people.isMe')}</span>}
      </h2>
      <p className="quiet text-sm">
        {t('people.since', { name: person.signInName, day: moment(person.madeAt, { dateStyle: 'medium' }) })}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Choice
          legend={t('people.roleOf', { name: person.name })}
          options={roles.map((value) => ({ value, label: t(`people.role.${value}`) }))}
          chosen={person.role ?? undefined}
          onChoose={(role) => role !== person.role && change.mutate(role)}
        />
        {!person.isMe && (
          <>
            <button className="btn btn-sm" disabled={code.isPending} onClick={() => code.mutate()}>
              {t('people.newPassword')}
            </button>
            <button className="btn btn-sm" disabled={out.isPending} onClick={() => out.mutate()}>
              {t('people.signThemOut')}
            </button>
            <ConfirmButton
              label={t('people.remove', { name: person.name })}
              question={t('people.removeAsk')}
              onYes={() => remove.mutate()}
            />
          </>
        )}
      </div>
      {out.isSuccess && (
        <p role="status" className="mt-2 text-sm">
          {t('people.signedOut', { name: person.name })}
        </p>
      )}
      {told && (
        <div className="mt-2">
          <SecretAddress label={t('people.codeFor', { name: person.name })} path={told} once={t('people.codeOnce')} />
        </div>
      )}
      <Failure error={errors.find(Boolean)} nameOf={(id) => id} />
    </li>
  )
}

function Invite() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [role, setRole] = useState<Role>('helper')
  const invite = useMutation({
    mutationFn: () => answer(api.POST('/api/people/invitations', { body: { role } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['audit'] }),
  })
  return (
    <section aria-labelledby="invite" className="border-base-300 mt-4 border-t pt-4">
      <h2 id="invite" className="font-semibold">
        {t('people.invite')}
      </h2>
      <div className="mt-2 space-y-3">
        <Choice
          legend={t('people.inviteAs')}
          options={roles.map((value) => ({ value, label: t(`people.role.${value}`) }))}
          chosen={role}
          onChoose={setRole}
        />
        <p className="quiet max-w-prose text-sm">{t(`people.may.${role}`)}</p>
        <button className="btn btn-sm btn-primary" disabled={invite.isPending} onClick={() => invite.mutate()}>
          {t('people.makeInvitation')}
        </button>
        {invite.data && (
          <SecretAddress label={t('people.invitation')} path={invite.data.address} once={t('people.codeOnce')} />
        )}
        <Failure error={invite.error} nameOf={(id) => id} />
      </div>
    </section>
  )
}
