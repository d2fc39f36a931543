import type { ReactNode } from 'react'
import { useTranslation } from '../../shared/translation'

/** Round what is seen before anybody has come in: the word mark, and one thing to do. */
export function DoorFrame({ children, isWide = false }: { children: ReactNode; isWide?: boolean }) {
  const { t } = useTranslation()
  return (
    <div className="bg-base-200 flex min-h-dvh flex-col items-center px-4 py-8">
      <header>
        <p className="name text-3xl">{t('frame.name')}</p>
      </header>
      <main
        className={`bg-base-100 border-base-300 mt-6 w-full rounded-lg border p-6 ${isWide ? 'max-w-5xl' : 'max-w-md'}`}
      >
        {children}
      </main>
    </div>
  )
}
