import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { answer, api, upload, uploadLarge } from '../../api/api'
import { queries } from '../../api/queries'
import { FileButton } from '../../shared/FileButton'
import { Failure } from '../../shared/Message'
import { moment } from '../../shared/numbers'

/** So much of an archive tells whose it is; the rest may be gigabytes. */
const headBytes = 256 * 1024

/** Puts an archive in place of the whole studio, after asking; and takes it back. */
export function StudioArchive() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [file, setFile] = useState<File | null>(null)
  const replaced = useQuery(queries.replacedStudio())
  const [share, setShare] = useState(0)
  const readAll = () => {
    setFile(null)
    void client.invalidateQueries()
  }
  const restore = useMutation({
    mutationFn: (file: File) => uploadLarge<{ studioName: string }>('/api/files/studio', file, setShare),
    onSuccess: readAll,
  })
  const bringBack = useMutation({
    mutationFn: (state: number) =>
      answer(api.POST('/api/files/studio/replaced/{state}', { params: { path: { state } } })),
    onSuccess: readAll,
  })
  // What it is comes first: a holiday picture is not offered in place of a studio.
  const look = useMutation({
    mutationFn: (chosen: File) =>
      upload<{ studioName: string }>('/api/files/studio/preview', chosen.slice(0, headBytes)),
    onSuccess: (_, chosen) => setFile(chosen),
  })
  return (
    <div className="mt-3 text-sm">
      <FileButton
        label={t('files.studio.file')}
        accept=".zip,.json,application/zip,application/json"
        onFile={(chosen) => {
          restore.reset()
          bringBack.reset()
          setFile(null)
          look.mutate(chosen)
        }}
      >
        {t('files.studio.in')}
      </FileButton>
      {file && (
        <div role="alert" className="border-error mt-3 border-l-4 pl-3">
          <p className="font-semibold">{t('files.studio.ask', { file: file.name, name: look.data?.studioName })}</p>
          <p>{t('files.studio.askHelp')}</p>
          <div className="mt-2 flex gap-2">
            <button
              className="btn btn-sm"
              disabled={restore.isPending}
              onClick={() => {
                setShare(0)
                restore.mutate(file)
              }}
            >
              {t('files.studio.yes')}
            </button>
            <button className="btn btn-sm" disabled={restore.isPending} onClick={() => setFile(null)}>
              {t('files.preview.leave')}
            </button>
          </div>
          {restore.isPending && (
            <p className="mt-2 flex flex-wrap items-center gap-3">
              <progress
                className="progress progress-primary w-40"
                aria-label={t('files.studio.progress')}
                max={1}
                value={share}
              />
              <span className="quiet">
                {t(share < 0.5 ? 'files.studio.sending' : 'files.studio.reading', { percent: Math.round(share * 100) })}
              </span>
            </p>
          )}
        </div>
      )}
      {(restore.data ?? bringBack.data) && (
        <p role="status" className="mt-2 font-semibold">
          {t('files.studio.done', { name: (bringBack.data ?? restore.data)!.studioName })}
        </p>
      )}
      <Failure error={look.error ?? restore.error ?? bringBack.error} nameOf={(id) => id} />
      {replaced.data && replaced.data.length > 0 && (
        <section aria-label={t('files.studio.earlier')} className="mt-3">
          <h3 className="font-semibold">{t('files.studio.earlier')}</h3>
          <p className="quiet">{t('files.studio.earlierHelp')}</p>
          <ul className="mt-1 space-y-1">
            {replaced.data.map((state) => {
              const when = moment(state.replacedAt, { dateStyle: 'medium', timeStyle: 'short' })
              return (
                <li key={state.id} className="flex flex-wrap items-baseline gap-x-3">
                  {t('files.studio.replaced', { name: state.studioName, when })}
                  <button
                    className="act min-h-6"
                    aria-label={t('files.studio.undoOf', { when })}
                    disabled={bringBack.isPending}
                    onClick={() => bringBack.mutate(state.id)}
                  >
                    {t('files.studio.undo')}
                  </button>
                </li>
              )
            })}
          </ul>
        </section>
      )}
    </div>
  )
}
