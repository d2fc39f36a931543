import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Plus, Shuffle } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import { useParams } from 'wouter'
import type { ColourView, MarbleAnswer, MarblePlan, Material } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { MarblePlanLimits } from '../../api/limits'
import { aside, queries } from '../../api/queries'
import type { ProblemAt } from '../../shared/Editor'
import { Failure, NotThere, Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { RangeField } from '../../shared/RangeField'
import type { NameOf } from '../../shared/words'
import { nameFinder } from '../../shared/words'
import { FoldStrip } from './FoldStrip'
import { MarbleSheet } from './MarbleSheet'
import { MarbleSteps } from './MarbleSteps'
import { PasteChoice } from './PasteChoice'
import { PlanHead } from './PlanHead'
import { SaveRow } from './SaveRow'
import { UsePicker } from './UsePicker'
import type { PasteDraft } from './usePastePlan'
import { usePasteDraft, usePlanLook } from './usePastePlan'
import { useProblems } from '../../shared/useProblems'
import { Term } from '../../shared/Term'

/** A marbled batch for a flower: its pastes, how often it is folded, and what its sheet and pieces look like. */
export function MarblePage() {
  const { flowerId = '' } = useParams()
  const marble = useQuery({ ...queries.marble(flowerId), refetchOnWindowFocus: false })
  const materials = useQuery(queries.materials())
  if (!marble.data || !materials.data) {
    return <NotThere of={[marble, materials]} />
  }
  return <OpenMarble key={marble.data.version} flowerId={flowerId} kept={marble.data} materials={materials.data} />
}

function OpenMarble({ flowerId, kept, materials }: { flowerId: string; kept: MarbleAnswer; materials: Material[] }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const nameOf = nameFinder(materials)
  const saved = { plan: kept.plan, version: kept.version }
  const draft = usePasteDraft<MarblePlan>('marble', flowerId, saved)
  const { plan, change } = draft
  const path = { params: { path: { id: flowerId } } }
  const look = usePlanLook('marble-look', flowerId, plan, (body, signal) =>
    answer(api.POST('/api/flowers/{id}/marble/look', { ...path, body, signal })),
  )
  // What each fold makes of it does not hang on how many were chosen.
  const folds = usePlanLook('marble-folds', flowerId, { ...plan, folds: 0 }, (body, signal) =>
    answer(api.POST('/api/flowers/{id}/marble/folds', { ...path, body, signal })),
  )
  const save = useMutation({
    mutationFn: (kept: PasteDraft<MarblePlan>) =>
      answer(
        api.PUT('/api/flowers/{id}/marble', { ...path, headers: madeFrom(kept.version), body: { plan: kept.plan } }),
      ),
    onSuccess: async ({ version }, sent) => {
      draft.drop({ plan: sent.plan, version })
      await client.invalidateQueries({ queryKey: queries.marble(flowerId).queryKey })
    },
  })
  const problemAt = useProblems([look.error, save.error], nameOf, 'plan')

  return (
    <main className="w-full pb-10">
      <PlanHead term="marble" flowerId={flowerId} kept={kept} title={t('marble.title', { flower: kept.flowerName })}>
        <SaveRow
          draft={draft.value}
          isChanged={draft.isChanged}
          isKept={kept.version > 0}
          save={save}
          theirs={() => client.fetchQuery(aside(queries.marble(flowerId)))}
          nameOf={nameOf}
          onDrop={(now) => draft.drop(now ?? saved)}
        />
      </PlanHead>
      {/* Places are kept free, about as high as what comes. */}
      {look.data ? <MarbleSheet look={look.data} /> : <div className="surround h-170 w-full lg:h-87" />}
      <div className="grid gap-x-10 gap-y-6 px-4 py-4 lg:grid-cols-[22rem_minmax(0,1fr)] lg:px-6 print:hidden">
        <Stripes
          plan={plan}
          colours={look.data?.stripes.map((stripe) => stripe.colour) ?? []}
          materials={materials}
          nameOf={nameOf}
          problemAt={problemAt}
          onChange={change}
        />
        <div className="min-w-0 space-y-4">
          <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2">
            <RangeField
              label={<Term name="folds">{t('marble.folds')}</Term>}
              value={plan.folds}
              most={MarblePlanLimits.folds.maximum}
              step={1}
              words={t('marble.foldCount', { count: plan.folds })}
              onChange={(value) => change({ folds: value })}
            />
            <RangeField
              label={t('marble.twist')}
              value={plan.twist}
              most={MarblePlanLimits.twist.maximum}
              step={0.05}
              words={t('marble.twistWords', { percent: Math.round(100 * plan.twist) })}
              onChange={(value) => change({ twist: value })}
            />
          </div>
          {folds.data ? (
            <FoldStrip view={folds.data} chosen={plan.folds} onFolds={(value) => change({ folds: value })} />
          ) : (
            <div className="h-28" />
          )}
          <div className="flex flex-wrap items-end gap-4">
            <NumberField
              label={t('marble.repeats')}
              value={plan.repeats}
              problem={problemAt('repeats')}
              whole
              onChange={(repeats) => change({ repeats })}
            />
            <NumberField
              label={t('pastePlan.otherG')}
              unit="g"
              value={plan.otherG}
              problem={problemAt('otherG')}
              onChange={(otherG) => change({ otherG })}
            />
            <button className="btn btn-sm" onClick={() => change({ seed: plan.seed + 1 })}>
              <Shuffle size={16} aria-hidden />
              {t('marble.anotherHand')}
            </button>
          </div>
          <div>
            <p className="text-sm font-semibold">{t('marble.cutFrom')}</p>
            <UsePicker
              label={t('marble.batch')}
              uses={kept.uses.filter((use) => !use.piece.solid)}
              chosen={plan.pieceIds}
              taken={[]}
              onChoose={(pieceIds) => change({ pieceIds })}
            />
            {problemAt('pieceIds') && <Problem>{problemAt('pieceIds')}</Problem>}
          </div>
          <Failure error={look.error} nameOf={nameOf} />
        </div>
      </div>
      {look.data && <MarbleSteps look={look.data} plan={plan} nameOf={nameOf} />}
    </main>
  )
}

function Stripes({
  plan,
  colours,
  materials,
  nameOf,
  problemAt,
  onChange,
}: {
  plan: MarblePlan
  colours: ColourView[]
  materials: Material[]
  nameOf: NameOf
  problemAt: ProblemAt
  onChange: (part: Partial<MarblePlan>) => void
}) {
  const { t } = useTranslation()
  const { stripes } = plan
  const set = (i: number, part: Partial<MarblePlan['stripes'][number]>) =>
    onChange({ stripes: stripes.map((stripe, j) => (i === j ? { ...stripe, ...part } : stripe)) })
  const problem = problemAt('stripes')
  return (
    <section aria-label={t('marble.pastes')} className="space-y-4">
      {stripes.map((stripe, i) => {
        const title = t('marble.paste', { number: i + 1 })
        return (
          <div key={i} className="border-base-300 border-t pt-2 first:border-0 first:pt-0">
            <PasteChoice
              title={title}
              path={`stripes[${i}].recipe`}
              recipe={stripe.recipe}
              colour={colours[i]}
              materials={materials}
              nameOf={nameOf}
              problemAt={problemAt}
              onRecipe={(recipe) => set(i, { recipe })}
            />
            <div className="mt-1 flex items-end gap-3">
              <NumberField
                label={t('marble.partsOf', { paste: title })}
                value={stripe.parts}
                problem={problemAt(`stripes[${i}].parts`)}
                onChange={(parts) => set(i, { parts })}
              />
              {stripes.length > 2 && (
                <button className="btn btn-sm" onClick={() => onChange({ stripes: stripes.filter((_, j) => i !== j) })}>
                  {t('marble.takeOut', { paste: title })}
                </button>
              )}
            </div>
          </div>
        )
      })}
      {problem && <Problem>{problem}</Problem>}
      {stripes.length < MarblePlanLimits.stripes.maxItems && (
        <button
          className="btn btn-sm"
          onClick={() =>
            onChange({ stripes: [...stripes, { recipe: { ...stripes[0]!.recipe, doses: [] }, parts: 1 }] })
          }
        >
          <Plus size={16} aria-hidden />
          {t('marble.addPaste')}
        </button>
      )}
    </section>
  )
}
