import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { BackupEvery, Backups } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure, NotThere } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { megabytes, moment } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'
import { useProblems } from '../../shared/useProblems'

/** Copies that the server makes by itself, each read back before it counts. */
export function BackupList() {
  const { t } = useTranslation()
  const backups = useQuery(queries.backups())
  if (!backups.data) return <NotThere of={[backups]} />
  if (!backups.data.canMake) return <p className="text-sm">{t('backup.noFolder')}</p>
  return (
    <div className="space-y-4 text-sm">
      <Schedule key={backups.data.version} kept={backups.data} />
      <Made backups={backups.data} />
    </div>
  )
}

function Schedule({ kept }: { kept: Backups }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [every, setEvery] = useState<BackupEvery>(kept.every)
  const [keep, setKeep] = useState(kept.keep)
  const save = useMutation({
    mutationFn: () =>
      answer(api.PUT('/api/backups/schedule', { headers: madeFrom(kept.version), body: { every, keep } })),
    onSettled: () => client.invalidateQueries({ queryKey: queries.backups().queryKey }),
  })
  const problemAt = useProblems([save.error])
  const isChanged = every !== kept.every || keep !== kept.keep
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate()
      }}
    >
      <Choice
        legend={t('backup.every')}
        options={(['never', 'day', 'week'] as const).map((value) => ({ value, label: t(`backup.${value}`) }))}
        chosen={every}
        onChoose={setEvery}
      />
      <NumberField label={t('backup.keep')} value={keep} whole problem={problemAt('keep')} onChange={setKeep} />
      <button className="btn btn-sm" disabled={!isChanged || save.isPending}>
        {t('backup.save')}
      </button>
      {kept.nextAt && (
        <span className="quiet">
          {t('backup.next', { when: moment(kept.nextAt, { dateStyle: 'medium', timeStyle: 'short' }) })}
        </span>
      )}
      <Failure error={problemAt('keep') ? null : save.error} nameOf={(id) => id} />
    </form>
  )
}

function Made({ backups }: { backups: Backups }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const readAgain = () => client.invalidateQueries({ queryKey: queries.backups().queryKey })
  const make = useMutation({ mutationFn: () => answer(api.POST('/api/backups')), onSettled: readAgain })
  const restore = useMutation({
    mutationFn: (id: string) => answer(api.POST('/api/backups/{id}/restore', { params: { path: { id } } })),
    onSuccess: () => client.invalidateQueries(),
  })
  return (
    <div>
      <button className="btn btn-sm" disabled={make.isPending} onClick={() => make.mutate()}>
        {t('backup.now')}
      </button>
      {make.isSuccess && (
        <span role="status" className="quiet ml-3">
          {t('backup.made')}
        </span>
      )}
      {restore.data && (
        <p role="status" className="mt-2 font-semibold">
          {t('files.studio.done', { name: restore.data.studioName })}
        </p>
      )}
      <Failure error={make.error ?? restore.error} nameOf={(id) => id} />
      <ul className="divide-base-300 mt-2 divide-y">
        {backups.made.map((one) => {
          const when = moment(one.madeAt, { dateStyle: 'medium', timeStyle: 'short' })
          return (
            <li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
              <span>{when}</span>
              <span className="quiet">
                {t('backup.proof', { size: megabytes(one.bytes), rows: one.rows, pictures: one.pictures })}
              </span>
              <a className="act" href={`/api/backups/${one.id}/studio.zip`} download>
                {t('backup.download', { when })}
              </a>
              <ConfirmButton
                label={t('backup.restore', { when })}
                question={t('backup.ask')}
                onYes={() => restore.mutate(one.id)}
              />
            </li>
          )
        })}
      </ul>
    </div>
  )
}
