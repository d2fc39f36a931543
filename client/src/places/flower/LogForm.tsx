import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { ColourView, LogSubject, PieceView, Preview } from '../../api/api'
import { answer, api, zones } from '../../api/api'
import { queries } from '../../api/queries'
import { RequestFailed } from '../../core/RequestFailed'
import { ColourEntry } from '../../shared/ColourEntry'
import { nameFinder, troubleWords, zoneName } from '../../shared/words'
import { Problem } from '../../shared/Message'
import { TextArea } from '../../shared/TextArea'
import { Swatch } from '../../shared/Swatch'
import { Choice } from '../../shared/Choice'
import { HowRead, type Read } from '../../shared/HowRead'
import { Editor } from '../../shared/Editor'
import { newId } from '../../shared/newId'
import { hasFields } from '../../core/Kept'
import { EyeSteps } from './EyeSteps'
import { LogReading } from './LogReading'
import { WentIn } from '../../shared/WentIn'
import { useProblems } from '../../shared/useProblems'
import { useUnsavedForm } from '../../shared/unsavedForms'
import { useKept } from '../../shared/useKept'

const subjects: LogSubject[] = ['paste', ...zones]

interface LogDraft extends Read {
  id: string
  subject: LogSubject
  actual: ColourView | null
  note: string
}

const isDraft = (value: unknown): value is LogDraft =>
  hasFields(value, 'id', 'by', 'subject', 'note') && subjects.includes((value as LogDraft).subject)

const fresh = (): LogDraft => ({
  id: newId(),
  by: 'eye',
  light: 'daylight',
  restedHours: null,
  wentIn: null,
  subject: 'paste',
  actual: null,
  note: '',
})

/** What the paste or a zone really came out as, beside what was predicted. What is typed outlives a reload. */
export function LogForm({
  piece,
  flowerId,
  preview,
  baseId,
  isSaved,
  onClose,
}: {
  piece: PieceView
  flowerId: string
  preview: Preview
  /** Of its own paste. */
  baseId: string
  /** The prediction that is logged is that of the saved plan. */
  isSaved: boolean
  onClose: () => void
}) {
  const { t } = useTranslation()
  const queryClient = useQueryClient()
  const kept = useKept<LogDraft>(`log/${piece.id}`, fresh(), isDraft)
  // What was typed before a newer build came says nothing of what that asks more.
  const draft = { ...fresh(), ...kept.value }
  useUnsavedForm(kept.isChanged)
  const nameOf = nameFinder(useQuery(queries.materials()).data ?? [])
  const [missing, setMissing] = useState(false)
  const [isReading, setReading] = useState(false)
  // Pressed while a colour is still being read: it goes in as soon as that is known.
  const isWanted = useRef(false)
  const save = useMutation({
    mutationFn: (entry: LogDraft & { actual: ColourView }) =>
      answer(
        api.PUT('/api/log-entries/{id}', {
          params: { path: { id: entry.id } },
          body: {
            pieceId: piece.id,
            subject: entry.subject,
            actual: entry.actual.lab,
            note: entry.note,
            by: entry.by,
            light: entry.light,
            restedHours: entry.subject === 'paste' ? entry.restedHours : null,
            wentIn: entry.subject === 'paste' ? wentIn : null,
          },
        }),
      ),
    // The entry has its own id, so sending it again cannot log it twice.
    retry: (count, error) => error instanceof RequestFailed && error.isPassing && count < 4,
    onSuccess: () => {
      kept.drop(fresh())
      void queryClient.invalidateQueries()
    },
  })
  // A shade of a run, a marble or a batch is measured elsewhere.
  const wentIn =
    preview.source.kind === 'own' && preview.batch.colours.length > 0
      ? (draft.wentIn ?? {
          baseId: baseId,
          pasteG: preview.batch.pasteG,
          doses: preview.batch.colours.map((colour) => colour.measured),
        })
      : null
  const change = (part: Partial<LogDraft>) => {
    kept.set({ ...draft, ...part })
    // What was said about the entry before is not about this one.
    save.reset()
  }
  const kneaded = {
    pieceId: piece.id,
    wentIn: draft.subject === 'paste' ? wentIn : null,
    restedHours: draft.subject === 'paste' ? draft.restedHours : null,
  }
  const done = { ...kneaded, subject: draft.subject }
  // As it was planned the preview tells it; that is there already.
  const isOtherwise = draft.subject === 'paste' && (draft.wentIn !== null || draft.restedHours !== null)
  const otherwise = useQuery({
    ...queries.logPrediction(done),
    enabled: isOtherwise && isSaved,
    placeholderData: keepPreviousData,
  })
  const asPlanned =
    draft.subject === 'paste'
      ? preview.paste
      : preview.zones.find((zone) => zone.zone === draft.subject)!.colours.at(-1)!
  const predicted = (isOtherwise && otherwise.data?.predicted) || asPlanned

  const problemAt = useProblems([save.error, otherwise.error], nameOf)

  const subjectName = (subject: LogSubject) =>
    subject === 'paste' ? t('log.paste') : zoneName(t, subject, piece.build)

  return (
    <Editor title={t('log.title')} onClose={onClose}>
      <form
        className="flex flex-wrap items-start gap-x-6 gap-y-3"
        onSubmit={(event) => {
          event.preventDefault()
          isWanted.current = isReading
          if (isReading) return
          setMissing(!draft.actual)
          if (draft.actual) save.mutate({ ...draft, actual: draft.actual })
        }}
      >
        <Choice
          legend={t('log.subject')}
          options={subjects.map((value) => ({
            value,
            label: subjectName(value),
          }))}
          chosen={draft.subject}
          onChoose={(subject) => change({ subject })}
        />
        <HowRead read={draft} isPaste={draft.subject === 'paste'} problemAt={problemAt} onChange={change} />
        {draft.subject === 'paste' && wentIn && (
          <WentIn
            paste={wentIn}
            help={t('log.wentIn.help')}
            problemAt={problemAt}
            onChange={(changed) => change({ wentIn: changed })}
          />
        )}
        {draft.by === 'eye' && (
          <EyeSteps predicted={predicted} actual={draft.actual} onChange={(actual) => change({ actual })} />
        )}
        {(draft.by === 'camera' || draft.by === 'reader') && (
          <LogReading
            key={`${draft.by} ${draft.subject}`}
            by={draft.by}
            kneaded={kneaded}
            flowerId={flowerId}
            isPaste={draft.subject === 'paste'}
            patchLabel={subjectName(draft.subject)}
            onRead={(actual) => change({ actual })}
          />
        )}
        <div>
          <ColourEntry
            label={t('log.actual')}
            colour={draft.actual}
            onChange={(actual) => {
              change({ actual })
              if (isWanted.current) save.mutate({ ...draft, actual })
            }}
            onReading={(isNow) => {
              setReading(isNow)
              if (!isNow) isWanted.current = false
            }}
          />
          {missing && !draft.actual && <Problem>{t('log.missing')}</Problem>}
        </div>
        <div className="surround flex items-center gap-0 p-3 text-xs">
          <figure>
            <Swatch colour={predicted} label={t('log.predicted')} className="h-12 w-20" />
            <figcaption>{t('log.predicted')}</figcaption>
          </figure>
          {draft.actual && (
            <figure>
              <Swatch colour={draft.actual} label={t('log.actualShort')} className="h-12 w-20" />
              <figcaption>{t('log.actualShort')}</figcaption>
            </figure>
          )}
        </div>
        <div className="grow">
          <TextArea label={t('log.note')} value={draft.note} onChange={(note) => change({ note })} />
        </div>
        <div className="basis-full">
          <button className="btn btn-primary btn-sm" disabled={save.isPending || !isSaved}>
            {save.isPending ? t('log.saving') : t('log.save')}
          </button>
          {!isSaved && <span className="quiet ml-3 text-sm">{t('log.waitForSave')}</span>}
          <span role="status" className="ml-3 text-sm">
            {save.isSuccess && (
              <>
                {t('log.saved')}{' '}
                <Link className="act" to="/logbook">
                  {t('log.see')}
                </Link>
              </>
            )}
          </span>
          {save.error && (
            <Problem>
              {troubleWords(t, save.error)} {t('trouble.kept')}
            </Problem>
          )}
        </div>
      </form>
    </Editor>
  )
}
