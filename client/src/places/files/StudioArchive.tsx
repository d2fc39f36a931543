import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import { answer, api, upload } from '../../api/api'
import { queries } from '../../api/queries'
import { FileButton } from '../../shared/FileButton'
import { Failure } from '../../shared/Message'

/** Puts an archive in place of the whole studio, after asking; and takes it back. */
export function StudioArchive() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [file, setFile] = useState<File | null>(null)
  const replaced = useQuery(queries.replacedStudio())
  const readAll = () => {
    setFile(null)
    void client.invalidateQueries()
  }
  const restore = useMutation({
    mutationFn: (file: File) => upload<{ studioName: string }>('/api/files/studio', file),
    onSuccess: readAll,
  })
  const undo = useMutation({ mutationFn: () => answer(api.POST('/api/files/studio/undo')), onSuccess: readAll })
  return (
    <div className="mt-3 text-sm">
      <FileButton
        label={t('files.studio.file')}
        accept=".json,application/json"
        onFile={(chosen) => {
          restore.reset()
          undo.reset()
          setFile(chosen)
        }}
      >
        {t('files.studio.in')}
      </FileButton>
      {file && (
        <div role="alert" className="border-error mt-3 border-l-4 pl-3">
          <p className="font-semibold">{t('files.studio.ask', { file: file.name })}</p>
          <p>{t('files.studio.askHelp')}</p>
          <div className="mt-2 flex gap-2">
            <button className="btn btn-sm" disabled={restore.isPending} onClick={() => restore.mutate(file)}>
              {t('files.studio.yes')}
            </button>
            <button className="btn btn-sm" onClick={() => setFile(null)}>
              {t('files.preview.leave')}
            </button>
          </div>
        </div>
      )}
      {(restore.data ?? undo.data) && (
        <p role="status" className="mt-2 font-semibold">
          {t('files.studio.done', { name: (undo.data ?? restore.data)!.studioName })}
        </p>
      )}
      <Failure error={restore.error ?? undo.error} nameOf={(id) => id} />
      {replaced.data?.replacedAt && (
        <p className="mt-3">
          {t('files.studio.replaced', { when: new Date(replaced.data.replacedAt).toLocaleString() })}{' '}
          <button className="act min-h-6" disabled={undo.isPending} onClick={() => undo.mutate()}>
            {t('files.studio.undo')}
          </button>
        </p>
      )}
    </div>
  )
}
