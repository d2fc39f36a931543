import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { ImportPreview } from '../../api/api'
import { upload } from '../../api/api'
import { isClash } from '../../core/RequestFailed'
import { FileButton } from '../../shared/FileButton'
import { Failure, Problem } from '../../shared/Message'
import { Preview } from './Preview'

/** Takes a file in: first it is shown what would happen, line by line; only then is anything stored. */
export function ImportFile({ what }: { what: 'cabinet' | 'logbook' }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [file, setFile] = useState<File | null>(null)
  const preview = useMutation({ mutationFn: (file: File) => upload<ImportPreview>(`/api/files/${what}/preview`, file) })
  const take = useMutation({
    mutationFn: ({ file, state }: { file: File; state: string }) =>
      upload<{ new: number; changed: number }>(`/api/files/${what}?state=${encodeURIComponent(state)}`, file),
    onSuccess: () => {
      setFile(null)
      preview.reset()
      void client.invalidateQueries()
    },
    // What was seen is no longer what would happen: look again.
    onError: (error) => isClash(error) && file && preview.mutate(file),
  })
  const choose = (chosen: File) => {
    setFile(chosen)
    take.reset()
    preview.mutate(chosen)
  }
  const seen = preview.data
  const readable = seen && seen.problem === null
  const toStore = seen ? seen.new + seen.changed : 0
  return (
    <div className="mt-3">
      <FileButton label={t(`files.${what}.file`)} accept=".csv,.json,text/csv,application/json" onFile={choose}>
        {t(`files.${what}.in`)}
      </FileButton>
      {take.data && (
        <p role="status" className="mt-2 text-sm font-semibold">
          {t(`files.${what}.done`, { added: take.data.new, changed: take.data.changed })}
        </p>
      )}
      <Failure error={preview.error ?? take.error} nameOf={(id) => id} />
      {seen && file && (
        <section aria-label={t('files.preview.title', { file: file.name })} className="mt-3">
          <h3 className="font-semibold">{t('files.preview.title', { file: file.name })}</h3>
          {readable ? (
            <Preview seen={seen} />
          ) : (
            <div role="alert">
              <Problem>
                {t(`files.problem.${seen.problem}`, { limit: seen.limit, columns: seen.columns.join(', ') })}
              </Problem>
            </div>
          )}
          <div className="mt-3 flex flex-wrap items-center gap-3">
            {readable && seen.bad === 0 && toStore > 0 && (
              <button
                className="btn btn-primary btn-sm"
                disabled={take.isPending}
                onClick={() => take.mutate({ file, state: seen.state })}
              >
                {t('files.preview.take', { count: toStore })}
              </button>
            )}
            <button
              className="btn btn-sm"
              onClick={() => {
                setFile(null)
                preview.reset()
                take.reset()
              }}
            >
              {t('files.preview.leave')}
            </button>
          </div>
        </section>
      )}
    </div>
  )
}
