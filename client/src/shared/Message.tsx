import { CircleAlert } from 'lucide-react'
import type { ReactNode } from 'react'
import { useTranslation } from './translation'
import { RequestFailed } from '../core/RequestFailed'
import { NothingHere } from './NothingHere'
import type { NameOf } from './words'
import { problemWords, troubleWords } from './words'

/** A line that something is wrong, with a sign and not by colour alone. */
export function Problem({ id, children }: { id?: string; children: ReactNode }) {
  return (
    <p id={id} className="text-error mt-1 flex items-start gap-1 text-sm">
      <CircleAlert size={16} aria-hidden className="mt-0.5 shrink-0" />
      <span>{children}</span>
    </p>
  )
}

/** What was wrong with something that was asked for, field by field, or as a whole. */
export function Failure({ error, nameOf, kept = false }: { error: unknown; nameOf: NameOf; kept?: boolean }) {
  const { t } = useTranslation()
  if (!error) return null
  const failed = error instanceof RequestFailed ? error : new RequestFailed('unexpected')
  return (
    <div role="alert">
      {failed.problems.length === 0 ? (
        <Problem>
          {troubleWords(t, failed)} {kept && t('trouble.kept')}
        </Problem>
      ) : (
        failed.problems.map((problem, i) => <Problem key={i}>{problemWords(t, problem, nameOf)}</Problem>)
      )}
    </div>
  )
}

/** The same beside a form whose fields say themselves what is wrong with them: what was wrong as a whole. */
export function WholeFailure({ error, kept }: { error: unknown; kept?: boolean }) {
  if (error instanceof RequestFailed && error.problems.length > 0) return null
  return <Failure error={error} nameOf={(id) => id} kept={kept} />
}

/** A place that could not be read, in plain words, with a way to try again. */
export function Unreadable({ error, retry }: { error: unknown; retry: () => void }) {
  const { t } = useTranslation()
  if (error instanceof RequestFailed && error.code === 'notFound') return <NothingHere />
  return (
    <div role="alert" className="p-6">
      <p className="font-semibold">{troubleWords(t, error)}</p>
      <button className="btn btn-sm mt-3" onClick={retry}>
        {t('trouble.tryAgain')}
      </button>
    </div>
  )
}

/** A place that is being read. */
export function Reading() {
  const { t } = useTranslation()
  return (
    <p role="status" className="quiet p-6">
      {t('frame.reading')}
    </p>
  )
}

/** In place of what is not all there yet: the first that could not be read, with a way to try again, or that it is being read. */
export function NotThere({ of }: { of: { error: unknown; refetch: () => unknown }[] }) {
  const failed = of.filter((query) => query.error)
  if (failed.length === 0) return <Reading />
  return <Unreadable error={failed[0]!.error} retry={() => failed.forEach((query) => void query.refetch())} />
}
