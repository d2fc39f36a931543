import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure, Reading, Unreadable } from '../../shared/Message'
import { PageTitle } from '../../shared/PageTitle'
import { dayWords } from '../../shared/words'

/** What was taken out, to be given back for thirty days. */
export function BinPage() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const { data, error, refetch } = useQuery(queries.bin())
  const giveBack = useMutation({
    mutationFn: (id: string) => answer(api.POST('/api/bin/{id}/give-back', { params: { path: { id } } })),
    onSettled: () => client.invalidateQueries(),
  })
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  return (
    <main className="w-full max-w-3xl px-4 pt-5 pb-10 lg:px-6">
      <p className="text-xs">
        <Link className="act" to="/commissions">
          {t('commission.title')}
        </Link>
      </p>
      <PageTitle title={t('frame.bin')} />
      <p className="quiet mt-1 max-w-prose text-sm">{t(data.length === 0 ? 'bin.empty' : 'bin.help')}</p>
      <ul className="divide-base-300 mt-3 divide-y">
        {data.map((entry) => (
          <li key={entry.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <div className="min-w-0 grow basis-56">
              <p className="name text-lg">{entry.name}</p>
              <p className="quiet text-sm">
                {t(`bin.kind.${entry.kind}`, { of: entry.of })} · {t('bin.since', { day: dayWords(entry.deletedAt) })} ·{' '}
                {t('bin.left', { count: entry.daysLeft })}
              </p>
            </div>
            <button
              className="btn btn-sm"
              disabled={giveBack.isPending}
              aria-label={t('bin.giveBackOf', { name: entry.name })}
              onClick={() => giveBack.mutate(entry.id)}
            >
              {t('bin.giveBack')}
            </button>
          </li>
        ))}
      </ul>
      <Failure error={giveBack.error} nameOf={(id) => id} />
    </main>
  )
}
