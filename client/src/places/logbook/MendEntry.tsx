import { useQuery } from '@tanstack/react-query'
import type { ColourView, LogEntry } from '../../api/api'
import { queries } from '../../api/queries'
import { hasFields } from '../../core/Kept'
import { ColourEntry } from '../../shared/ColourEntry'
import { HowRead, type Read } from '../../shared/HowRead'
import { Problem } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import { TextArea } from '../../shared/TextArea'
import { useTranslation } from '../../shared/translation'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'
import { useUnsavedForm } from '../../shared/unsavedForms'
import { WentIn } from '../../shared/WentIn'
import { nameFinder, troubleWords } from '../../shared/words'
import { useChange } from './useChange'

interface Draft extends Read {
  actual: ColourView
  note: string
  /** That the entry had when this was begun. */
  version: number
}

const isDraft = (value: unknown): value is Draft =>
  hasFields(value, 'by', 'light', 'restedHours', 'wentIn', 'actual', 'note', 'version')

/** What was noted wrongly is put right. What is typed outlives a reload and a failed save. */
export function MendEntry({
  entry,
  onMended,
  onClose,
}: {
  entry: LogEntry
  /** @param version That the entry has now. */
  onMended: (version: number) => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  const asItIs: Draft = {
    by: entry.by,
    light: entry.light,
    restedHours: entry.restedHours ?? null,
    wentIn: null,
    actual: entry.actual,
    note: entry.note,
    version: entry.version,
  }
  const kept = useKept<Draft>(`mend/${entry.id}`, asItIs, isDraft)
  const draft = kept.value
  useUnsavedForm(kept.isChanged)
  const nameOf = nameFinder(useQuery(queries.materials()).data ?? [])
  const change = useChange()
  const problemAt = useProblems([change.error], nameOf)
  const set = (part: Partial<Draft>) => {
    kept.set({ ...draft, ...part })
    change.reset()
  }
  // Nothing is written over without a word: what the entry is now stands above the form.
  const isOlder = draft.version !== entry.version && !change.isPending
  const close = () => {
    kept.drop(asItIs)
    onClose()
  }
  return (
    <form
      className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-3"
      onSubmit={(event) => {
        event.preventDefault()
        const { actual, note, by, light, restedHours, wentIn } = draft
        change.mutate(
          { entry, change: { kind: 'mend', reading: { actual: actual.lab, note, by, light, restedHours, wentIn } } },
          {
            onSuccess: (saved) => {
              onMended(saved.version)
              close()
            },
          },
        )
      }}
    >
      <HowRead read={draft} isPaste={entry.subject === 'paste'} problemAt={problemAt} onChange={set} />
      {entry.wentIn && (
        <WentIn
          paste={draft.wentIn ?? entry.wentIn}
          help={t('learned.entry.wentInHelp')}
          problemAt={problemAt}
          onChange={(wentIn) => set({ wentIn })}
        />
      )}
      <ColourEntry label={t('log.actual')} colour={draft.actual} onChange={(actual) => set({ actual })} />
      <Swatch colour={draft.actual} label={t('log.actualShort')} className="h-12 w-20" />
      <div className="grow">
        <TextArea label={t('log.note')} value={draft.note} onChange={(note) => set({ note })} />
      </div>
      {isOlder && <p className="basis-full text-sm font-semibold">{t('learned.entry.isOlder')}</p>}
      <p className="flex basis-full gap-3">
        <button className="btn btn-primary btn-sm" disabled={change.isPending}>
          {t('learned.entry.keep')}
        </button>
        <button type="button" className="btn btn-sm" onClick={close}>
          {t('learned.entry.leave')}
        </button>
      </p>
      {change.error && (
        <Problem>
          {troubleWords(t, change.error)} {t('trouble.kept')}
        </Problem>
      )}
    </form>
  )
}
