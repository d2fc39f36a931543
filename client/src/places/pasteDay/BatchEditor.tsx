import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { KeptBatch } from '../../api/api'
import { answer, api } from '../../api/api'
import { MakingLimits } from '../../api/limits'
import { isClash, RequestFailed } from '../../core/RequestFailed'
import { aside, queries } from '../../api/queries'
import { ClashChoice } from '../../shared/ClashChoice'
import { ColourEntry } from '../../shared/ColourEntry'
import { keepBatch } from '../../shared/keepBatch'
import { Failure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { hasFields } from '../../core/Kept'
import { TextArea } from '../../shared/TextArea'
import { TextField } from '../../shared/TextField'
import { useKept } from '../../shared/useKept'
import type { NameOf } from '../../shared/words'
import { useProblems } from '../../shared/useProblems'

/** What really became of a batch: what went in, what it came out as, where it lies, what is left. */
export function BatchEditor({
  batch,
  nameOf,
  onDone,
  onRemoved,
}: {
  batch: KeptBatch
  nameOf: NameOf
  onDone: () => void
  onRemoved: () => void
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const { value: draft, set: setDraft, drop } = useDraft(batch)
  const { made } = draft
  const refresh = () => client.invalidateQueries()
  const save = useMutation({
    mutationFn: (kept: KeptBatch) => keepBatch(kept),
    onSuccess: () => {
      drop(draft)
      onDone()
      return refresh()
    },
  })
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/batches/{id}', { params: { path: { id: batch.id } } })),
    onSuccess: () => {
      drop(batch)
      onRemoved()
      return refresh()
    },
  })
  const failed = save.error instanceof RequestFailed ? save.error : null
  const problemAt = useProblems([save.error], nameOf)
  const change = (part: Partial<NonNullable<KeptBatch['made']>>) =>
    made && setDraft({ ...draft, made: { ...made, ...part } })
  const theirs = async () => {
    const all = await client.fetchQuery(aside(queries.batches()))
    return all.find((one) => one.id === batch.id) ?? batch
  }
  return (
    <form
      className="mt-2 space-y-3 pl-2"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate(draft)
      }}
    >
      {made ? (
        <>
          <div className="flex flex-wrap items-start gap-4">
            <NumberField
              label={t('batch.fields.grams')}
              value={made.grams}
              unit="g"
              problem={problemAt('made.grams')}
              onChange={(grams) => change({ grams })}
            />
            <div className="max-w-xs">
              <NumberField
                label={t('batch.fields.leftG')}
                value={made.leftG}
                unit="g"
                problem={problemAt('made.leftG')}
                onChange={(leftG) => change({ leftG })}
              />
              <p className="quiet text-xs">{t('batch.leftHelp')}</p>
            </div>
            <TextField
              label={t('batch.fields.keptIn')}
              value={made.keptIn}
              problem={problemAt('made.keptIn')}
              most={MakingLimits.keptIn.maxLength}
              className="w-48"
              onChange={(keptIn) => change({ keptIn })}
            />
          </div>
          <fieldset>
            <legend className="quiet text-xs">{t('batch.fields.went')}</legend>
            <div className="flex flex-wrap gap-4">
              {made.recipe.doses.map((dose, place) => (
                <NumberField
                  key={dose.colourantId}
                  label={nameOf(dose.colourantId)}
                  value={dose.gPer100g}
                  problem={problemAt(`made.recipe.doses[${place}].gPer100g`)}
                  onChange={(gPer100g) =>
                    change({
                      recipe: {
                        ...made.recipe,
                        doses: made.recipe.doses.map((one, i) => (i === place ? { ...one, gPer100g } : one)),
                      },
                    })
                  }
                />
              ))}
            </div>
          </fieldset>
          <ColourEntry
            label={t('batch.measured')}
            colour={draft.measured}
            onChange={(measured) => setDraft({ ...draft, measured })}
          />
        </>
      ) : (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            setDraft({
              ...draft,
              made: {
                at: new Date().toISOString(),
                recipe: batch.recipe,
                grams: batch.pasteG,
                leftG: batch.pasteG,
                keptIn: '',
              },
            })
          }
        >
          {t('batch.mixed')}
        </button>
      )}
      <div>
        <TextArea
          label={t('batch.fields.note')}
          value={draft.note}
          problem={problemAt('note')}
          onChange={(note) => setDraft({ ...draft, note })}
        />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-primary btn-sm" disabled={save.isPending}>
          {t('batch.save')}
        </button>
        {made && made.leftG > 0 && (
          <button type="button" className="btn btn-sm" onClick={() => change({ leftG: 0 })}>
            {t('batch.usedUp')}
          </button>
        )}
        <Link className="act text-sm" to={`/mixing?batch=${batch.id}`}>
          {t('batch.toTable')}
        </Link>
        <button
          type="button"
          className="btn btn-ghost btn-sm ml-auto"
          aria-label={t('batch.removeOf', { name: batch.name })}
          onClick={() => remove.mutate()}
        >
          {t('batch.remove')}
        </button>
      </div>
      {isClash(failed) ? (
        <ClashChoice
          onTheirs={() => {
            drop(batch)
            save.reset()
            void refresh()
            onDone()
          }}
          onMine={() => void theirs().then(({ version }) => save.mutate({ ...draft, version }))}
        />
      ) : (
        <Failure error={save.error ?? remove.error} nameOf={nameOf} kept />
      )}
    </form>
  )
}

/** The batch as it is being changed; kept in this browser until it is saved. */
const useDraft = (batch: KeptBatch) =>
  useKept(
    `batch:${batch.id}`,
    batch,
    (value): value is KeptBatch =>
      hasFields(value, 'version', 'note', 'made', 'target', 'name') &&
      'version' in value &&
      value.version === batch.version,
  )
