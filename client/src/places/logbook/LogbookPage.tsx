import { useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { LogEntry } from '../../api/api'
import { queries } from '../../api/queries'
import { Reading, Unreadable } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import { colourName, dayWords, deltaE, differenceWords } from '../../shared/words'
import { PageTitle } from '../../shared/PageTitle'

/** What came out, newest first: predicted beside actual. */
export function LogbookPage() {
  const { t } = useTranslation()
  const { data, error, refetch } = useQuery(queries.logEntries())
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  return (
    <main className="w-full">
      <div className="px-4 pt-5 pb-4 lg:px-6">
        <PageTitle title={t('logbook.title')} />
        <p className="quiet text-sm">
          {t('logbook.help')}{' '}
          <Link className="act" to="/files">
            {t('logbook.files')}
          </Link>
        </p>
      </div>
      {data.length === 0 ? (
        <p className="px-4 lg:px-6">{t('logbook.none')}</p>
      ) : (
        <ol>
          {data.map((entry) => (
            <Entry key={entry.id} entry={entry} />
          ))}
        </ol>
      )}
    </main>
  )
}

function Entry({ entry }: { entry: LogEntry }) {
  const { t } = useTranslation()
  const subject = t(entry.subject === 'paste' ? 'log.paste' : `zone.${entry.subject}`)
  const what = `${entry.flowerName}, ${entry.pieceName.toLowerCase()}: ${subject.toLowerCase()}`
  return (
    <li className="border-base-300 grid gap-x-6 border-t sm:grid-cols-[10rem_16rem_minmax(0,1fr)]">
      <p className="px-4 pt-3 text-sm sm:py-4 lg:pl-6">
        <time dateTime={entry.loggedAt}>{dayWords(entry.loggedAt)}</time>
      </p>
      <div className="surround mt-2 flex p-4 text-xs sm:mt-0">
        <figure className="w-1/2">
          <Swatch colour={entry.predicted} label={t('log.predicted')} className="h-14 w-full" />
          <figcaption className="pt-1">{t('log.predicted')}</figcaption>
        </figure>
        <figure className="w-1/2">
          <Swatch colour={entry.actual} label={t('log.actualShort')} className="h-14 w-full" />
          <figcaption className="pt-1">{t('log.actualShort')}</figcaption>
        </figure>
      </div>
      <div className="px-4 py-3 text-sm sm:px-0 sm:py-4">
        <h2 className="font-semibold">
          {entry.flowerId && entry.pieceId ? (
            <Link className="hover:underline" to={`/flowers/${entry.flowerId}/${entry.pieceId}`}>
              {what}
            </Link>
          ) : (
            what
          )}
        </h2>
        <p>
          <span className="font-semibold">{differenceWords(t, entry.difference)}</span>{' '}
          {deltaE(entry.difference.deltaE)}
          <span className="quiet"> · {colourName(t, entry.actual)}</span>
        </p>
        {entry.note && <p className="mt-1 max-w-prose whitespace-pre-line">{entry.note}</p>}
        <p className="quiet mt-1 text-xs">
          {entry.commissionName}
          {!entry.flowerId && ` · ${t('logbook.gone')}`}
        </p>
      </div>
    </li>
  )
}
