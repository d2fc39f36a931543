import { useQuery } from '@tanstack/react-query'
import { Download } from 'lucide-react'
import type { ReactNode } from 'react'
import { useTranslation } from '../../shared/translation'
import { queries } from '../../api/queries'
import { BackupList } from './BackupList'
import { ImportFile } from './ImportFile'
import { StudioArchive } from './StudioArchive'
import { PageTitle } from '../../shared/PageTitle'

/** The studio's own data, out and in, in open formats. */
export function FilesPage() {
  const { t } = useTranslation()
  // The whole studio is its owners' to give away.
  const isOwner = useQuery(queries.me()).data?.role === 'owner'
  return (
    <main className="w-full max-w-5xl px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('files.title')} />
      <p className="quiet max-w-prose text-sm">{t('files.help')}</p>
      {(['cabinet', 'logbook'] as const).map((what) => (
        <Part key={what} title={t(`files.${what}.title`)} help={t(`files.${what}.help`)}>
          <ul className="flex flex-wrap gap-x-5 gap-y-1 text-sm">
            <Out href={`/api/files/${what}.csv`}>{t(`files.${what}.csv`)}</Out>
            <Out href={`/api/files/${what}.json`}>{t(`files.${what}.json`)}</Out>
            <Out href={`/api/files/${what}-template.csv`}>{t(`files.${what}.template`)}</Out>
            <Out href={`/api/files/${what}.schema.json`}>{t(`files.${what}.schema`)}</Out>
          </ul>
          <ImportFile what={what} />
        </Part>
      ))}
      <Part title={t('files.spectra.title')} help={t('files.spectra.help')}>
        <ul className="text-sm">
          <Out href="/api/files/spectra.txt">{t('files.spectra.out')}</Out>
        </ul>
      </Part>
      {isOwner && (
        <>
          <Part title={t('files.studio.title')} help={t('files.studio.help')}>
            <ul className="text-sm">
              <Out href="/api/files/studio.zip">{t('files.studio.out')}</Out>
            </ul>
            <StudioArchive />
          </Part>
          <Part title={t('backup.title')} help={t('backup.help')}>
            <BackupList />
          </Part>
        </>
      )}
    </main>
  )
}

function Part({ title, help, children }: { title: string; help: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-base-300 mt-6 border-t pt-4">
      <h2 className="font-semibold">{title}</h2>
      <p className="quiet mb-2 max-w-prose text-sm">{help}</p>
      {children}
    </section>
  )
}

function Out({ href, children }: { href: string; children: ReactNode }) {
  return (
    <li>
      <a className="act inline-flex min-h-6 items-center gap-1" href={href} download>
        <Download size={16} aria-hidden />
        {children}
      </a>
    </li>
  )
}
