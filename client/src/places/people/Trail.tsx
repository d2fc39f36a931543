import { useInfiniteQuery } from '@tanstack/react-query'
import { answer, api } from '../../api/api'
import { NotThere } from '../../shared/Message'
import { moment } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'

/** Who changed what, newest first. */
export function Trail() {
  const { t } = useTranslation()
  const trail = useInfiniteQuery({
    queryKey: ['audit'],
    initialPageParam: '',
    queryFn: ({ pageParam, signal }) =>
      answer(api.GET('/api/audit', { params: { query: pageParam ? { before: pageParam } : {} }, signal })),
    getNextPageParam: (last) => last.before ?? undefined,
  })
  if (!trail.data) return <NotThere of={[trail]} />
  const lines = trail.data.pages.flatMap((page) => page.lines)
  return (
    <section aria-labelledby="trail" className="border-base-300 mt-8 border-t pt-4">
      <h2 id="trail" className="font-semibold">
        {t('people.trail')}
      </h2>
      <p className="quiet max-w-prose text-sm">{t('people.trailHelp')}</p>
      {lines.length === 0 && <p className="mt-2 text-sm">{t('people.noTrail')}</p>}
      <ol className="mt-2 text-sm">
        {lines.map((line) => (
          <li key={line.id} className="grid grid-cols-[9rem_1fr] gap-3 py-1">
            <time className="quiet" dateTime={line.at}>
              {moment(line.at, { dateStyle: 'medium', timeStyle: 'short' })}
            </time>
            <span>
              {line.who}: {t(`trail.${line.action}`, { defaultValue: line.action })}
              {line.subject && `, ${line.subject}`}
            </span>
          </li>
        ))}
      </ol>
      {trail.hasNextPage && (
        <button className="btn btn-sm mt-2" onClick={() => void trail.fetchNextPage()}>
          {t('people.older')}
        </button>
      )}
    </section>
  )
}
