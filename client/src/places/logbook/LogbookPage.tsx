import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'wouter'
import type { LogEntry, LoggedDose, LogStanding } from '../../api/api'
import type { LogQuestion } from '../../api/queries'
import { queries } from '../../api/queries'
import { Failure, Reading, Unreadable } from '../../shared/Message'
import { significant } from '../../shared/numbers'
import { PageTitle } from '../../shared/PageTitle'
import { SelectField } from '../../shared/SelectField'
import { Swatch } from '../../shared/Swatch'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { colourName, dayWords, deltaE, differenceWords, nameFinder } from '../../shared/words'
import { againOf } from '../mixing/starts'
import { storeTable } from '../mixing/tableState'
import { DryTimes } from './DryTimes'
import { Hand } from './Hand'
import { LogNext } from './LogNext'
import { MakeAgain } from './MakeAgain'
import { MendEntry } from './MendEntry'
import { Taught } from './Taught'
import { useChange, type LogChange } from './useChange'
import { WentBy } from './WentBy'
import { inSentence } from '../../shared/inSentence'
import { CheckField } from '../../shared/CheckField'

const offs = [1, 2, 3, 5]

/** An entry with the version that it has after a change, and what puts it back. */
interface Undo {
  entry: LogEntry
  change: LogChange
}

/** What came out, newest first: predicted beside actual, what it taught, and what to log next. */
export function LogbookPage() {
  const { t } = useTranslation()
  const [asked, setAsked] = useState<LogQuestion>({})
  const [isGrouped, setGrouped] = useState(false)
  const [undo, setUndo] = useState<Undo | null>(null)
  const entries = useQuery({ ...queries.logEntries(undefined, asked), placeholderData: keepPreviousData })
  const materials = useQuery(queries.materials()).data ?? []
  const nameOf = nameFinder(materials)
  const change = useChange()
  const flowers = useQuery(queries.logEntries()).data?.map((one) => one.flowerName) ?? []
  const next = useQuery(queries.logNext())
  const hand = useQuery(queries.hand())
  const dryTimes = useQuery(queries.dryTimes())
  if (!entries.data || next.isLoading || hand.isLoading || dryTimes.isLoading)
    return entries.error ? <Unreadable error={entries.error} retry={() => void entries.refetch()} /> : <Reading />
  const isAsked = Object.values(asked).some((one) => one !== undefined && one !== '')
  // In the order of their newest entries.
  const flowerOf = (entry: LogEntry) => (isGrouped ? entry.flowerName || t('learned.filter.noFlower') : '')
  const groups = [...new Set(entries.data.map(flowerOf))].map(
    (flower) => [flower, entries.data.filter((entry) => flowerOf(entry) === flower)] as const,
  )
  return (
    <main className="w-full">
      <div className="px-4 pt-5 pb-4 lg:px-6">
        <PageTitle title={t('logbook.title')} />
        <p className="quiet text-sm">
          {t('logbook.help')}{' '}
          <Link className="act print:hidden" to="/files">
            {t('logbook.files')}
          </Link>
        </p>
        <Hand />
        <DryTimes />
        <LogNext nameOf={nameOf} />
        <div className="mt-4 flex flex-wrap items-end gap-3 print:hidden">
          <TextField
            label={t('learned.filter.words')}
            value={asked.words ?? ''}
            className="w-56"
            onChange={(words) => setAsked((was) => ({ ...was, words }))}
          />
          <SelectField
            label={t('learned.filter.jar')}
            value={asked.materialId ?? ''}
            options={[
              { value: '', label: t('learned.filter.anyJar') },
              ...materials
                .filter((one) => ['colourant', 'paste', 'dust', 'lustre'].includes(one.kind))
                .map((one) => ({ value: one.id, label: one.name })),
            ]}
            onChoose={(materialId) => setAsked((was) => ({ ...was, materialId: materialId || undefined }))}
          />
          <SelectField
            label={t('learned.filter.offBy')}
            value={String(asked.offBy ?? '')}
            options={[
              { value: '', label: t('learned.filter.any') },
              ...offs.map((off) => ({ value: String(off), label: deltaE(off) })),
            ]}
            onChoose={(off) => setAsked((was) => ({ ...was, offBy: off ? Number(off) : undefined }))}
          />
          <SelectField
            label={t('learned.filter.flower')}
            value={asked.flower ?? ''}
            options={[
              { value: '', label: t('learned.filter.anyFlower') },
              ...[...new Set(flowers)].filter(Boolean).map((name) => ({ value: name, label: name })),
            ]}
            onChoose={(flower) => setAsked((was) => ({ ...was, flower: flower || undefined }))}
          />
          <TextField
            label={t('learned.filter.since')}
            type="date"
            value={asked.since ?? ''}
            className="w-40"
            onChange={(since) => setAsked((was) => ({ ...was, since: since || undefined }))}
          />
          <TextField
            label={t('learned.filter.until')}
            type="date"
            value={asked.until ?? ''}
            className="w-40"
            onChange={(until) => setAsked((was) => ({ ...was, until: until || undefined }))}
          />
          <CheckField label={t('learned.filter.grouped')} checked={isGrouped} onChange={setGrouped} />
          {isAsked && (
            <button className="btn btn-sm" onClick={() => setAsked({})}>
              {t('learned.filter.all')}
            </button>
          )}
          <p role="status" className="quiet text-sm">
            {isAsked && t('learned.filter.count', { count: entries.data.length })}{' '}
            {asked.near && t('learned.filter.nearShown')}
          </p>
        </div>
        <Failure error={change.error} nameOf={nameOf} />
        {undo && (
          <p role="status" className="mt-2 text-sm">
            {t(undo.change.kind === 'stand' ? 'learned.entry.tookOut' : 'learned.entry.mended', {
              what: whatOf(t, undo.entry, nameOf),
            })}{' '}
            <button
              className="act min-h-6 cursor-pointer"
              onClick={() => change.mutate(undo, { onSuccess: () => setUndo(null) })}
            >
              {t(undo.change.kind === 'stand' ? 'learned.entry.putBack' : 'learned.entry.asBefore')}
            </button>
          </p>
        )}
      </div>
      {entries.data.length === 0 ? (
        <p className="px-4 lg:px-6">{t(isAsked ? 'learned.filter.none' : 'logbook.none')}</p>
      ) : (
        groups.map(([flower, own]) => (
          <section key={flower} aria-label={flower || undefined}>
            {isGrouped && (
              <p className="px-4 pt-5 pb-1 lg:px-6">
                <span className="font-display text-xl">{flower}</span>{' '}
                <span className="quiet text-sm">{t('learned.filter.count', { count: own.length })}</span>
              </p>
            )}
            <ol>
              {own.map((entry) => (
                <Entry
                  key={entry.id}
                  entry={entry}
                  nameOf={nameOf}
                  canBeMade={[entry.mix?.baseId, ...(entry.mix?.doses ?? []).map((one) => one.colourantId)].every(
                    (id) => materials.some((one) => one.id === id),
                  )}
                  isBusy={change.isPending}
                  onNear={() => setAsked({ near: entry.id })}
                  onChange={(standing) =>
                    change.mutate(
                      { entry, change: { kind: 'stand', ...standing } },
                      {
                        onSuccess: ({ version }) =>
                          standing.isTakenOut &&
                          setUndo({ entry: { ...entry, version }, change: { kind: 'stand', isTakenOut: false } }),
                      },
                    )
                  }
                  onMended={(version) => setUndo({ entry: { ...entry, version }, change: { kind: 'unmend' } })}
                />
              ))}
            </ol>
          </section>
        ))
      )}
    </main>
  )
}

/** What an entry is about. */
function whatOf(t: ReturnType<typeof useTranslation>['t'], entry: LogEntry, nameOf: NameOf): string {
  const subject = t(entry.subject === 'paste' ? 'log.paste' : `zone.${entry.subject}`)
  if (entry.pieceName) return `${entry.flowerName}, ${inSentence(entry.pieceName)}: ${inSentence(subject)}`
  return entry.mix?.doses.map((one) => nameOf(one.colourantId)).join(', ') || t('learned.entry.pasteOf')
}

/** " (3 touches)" of what was counted. */
function countedWords(t: ReturnType<typeof useTranslation>['t'], dose: LoggedDose): string {
  if (!dose.counted) return ''
  return ` (${t(`dose.${dose.counted.unit}`, { count: Number(dose.counted.count.toPrecision(2)) })})`
}

function Entry({
  entry,
  nameOf,
  canBeMade,
  isBusy,
  onNear,
  onChange,
  onMended,
}: {
  entry: LogEntry
  nameOf: NameOf
  /** All that it was made of is still in the cabinet. */
  canBeMade: boolean
  isBusy: boolean
  onNear: () => void
  onChange: (standing: Partial<LogStanding>) => void
  onMended: (version: number) => void
}) {
  const { t } = useTranslation()
  const [isMended, setMended] = useState(false)
  const what = whatOf(t, entry, nameOf)
  // The same may have been logged on many days.
  const which = `${what}, ${dayWords(entry.loggedAt)}`
  return (
    <li className="border-base-300 grid break-inside-avoid gap-x-6 border-t sm:grid-cols-[10rem_16rem_minmax(0,1fr)]">
      <p className="px-4 pt-3 text-sm sm:py-4 lg:pl-6">
        <time dateTime={entry.loggedAt}>{dayWords(entry.loggedAt)}</time>
        {entry.loggedBy && <span className="quiet block text-xs">{entry.loggedBy}</span>}
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
          <span className="quiet">
            {' '}
            · {colourName(t, entry.actual)} · {t(`readBy.${entry.by}`)}
            {entry.light !== 'daylight' && ` · ${t(`light.${entry.light}`)}`}
            {entry.restedHours != null &&
              ` · ${t('learned.entry.rested', { hours: significant(entry.restedHours, 2) })}`}
            {entry.predictedRange != null &&
              ` · ${t('learned.entry.predictedWithin', { deltaE: deltaE(entry.predictedRange) })}`}
            {entry.isLeftOut && ` · ${t('learned.jar.leftOut')}`}
            {entry.isRepeat && ` · ${t('learned.entry.repeat')}`}
            {entry.isOutlier && ` · ${t('learned.jar.outlier')}`}
          </span>
        </p>
        {entry.mix && (
          <p className="quiet">
            {t('learned.entry.of', {
              base: nameOf(entry.mix.baseId),
              doses: entry.mix.doses
                .map((one) => `${nameOf(one.colourantId)} ${significant(one.gPer100g, 2)}${countedWords(t, one)}`)
                .join(', '),
            })}
          </p>
        )}
        {isMended ? (
          <MendEntry entry={entry} onMended={onMended} onClose={() => setMended(false)} />
        ) : (
          entry.note && <p className="mt-1 max-w-prose whitespace-pre-line">{entry.note}</p>
        )}
        <p className="quiet mt-1 text-xs">
          {entry.commissionName}
          {!entry.flowerId && entry.pieceName && ` · ${t('logbook.gone')}`}
        </p>
        <p className="mt-1 flex flex-wrap items-center gap-x-4 print:hidden">
          <button className="act min-h-6 cursor-pointer" onClick={onNear}>
            {t('learned.filter.near')}
            <span className="sr-only">: {which}</span>
          </button>
          <button className="act min-h-6 cursor-pointer" aria-expanded={isMended} onClick={() => setMended(!isMended)}>
            {t('learned.entry.mend')}
            <span className="sr-only">: {which}</span>
          </button>
          {entry.mix && entry.subject === 'paste' && canBeMade && (
            <Link
              className="act inline-flex min-h-6 items-center"
              to="/mixing"
              onClick={() => storeTable(againOf(entry, entry.mix!, what))}
            >
              {t('learned.entry.again')}
              <span className="sr-only">: {which}</span>
            </Link>
          )}
          {entry.isPieceKnown && <MakeAgain id={entry.id} what={which} nameOf={nameOf} />}
          {(entry.hasTaught || entry.isLeftOut) && (
            <button
              className="act min-h-6 cursor-pointer"
              disabled={isBusy}
              onClick={() => onChange({ isLeftOut: !entry.isLeftOut })}
            >
              {t(entry.isLeftOut ? 'learned.jar.learnFrom' : 'learned.jar.leaveOut')}
              <span className="sr-only">: {which}</span>
            </button>
          )}
          <button
            className="act min-h-6 cursor-pointer"
            disabled={isBusy}
            onClick={() => onChange({ isTakenOut: true })}
          >
            {t('learned.entry.takeOut')}
            <span className="sr-only">: {which}</span>
          </button>
        </p>
        {entry.learned && <WentBy learned={entry.learned} nameOf={nameOf} />}
        {entry.hasTaught && <Taught id={entry.id} isPaste={entry.subject === 'paste'} nameOf={nameOf} />}
      </div>
    </li>
  )
}
