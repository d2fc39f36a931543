import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { ArrowLeftRight, Minus, Plus } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import { useParams } from 'wouter'
import type { Material, OmbreAnswer, OmbrePlan, OmbreView } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { OmbrePlanLimits } from '../../api/limits'
import { aside, queries } from '../../api/queries'
import type { ProblemAt } from '../../shared/Editor'
import { Failure, NotThere, Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { Swatch } from '../../shared/Swatch'
import { deltaE, differenceWords, grams, nameFinder } from '../../shared/words'
import { DustedRun } from './DustedRun'
import { OmbreSheet } from './OmbreSheet'
import { PasteChoice } from './PasteChoice'
import { PlanHead } from './PlanHead'
import { SaveRow } from './SaveRow'
import { Schools } from './Schools'
import { StepCurve } from './StepCurve'
import { UsePicker } from './UsePicker'
import type { PasteDraft } from './usePastePlan'
import { usePasteDraft, usePlanLook } from './usePastePlan'
import { useProblems } from '../../shared/useProblems'
import { fixed } from '../../shared/numbers'

/** A run of shades for a flower: from where to where, in what steps, for which pieces, and by which school. */
export function OmbrePage() {
  const { flowerId = '' } = useParams()
  const ombre = useQuery({ ...queries.ombre(flowerId), refetchOnWindowFocus: false })
  const materials = useQuery(queries.materials())
  if (!ombre.data || !materials.data) {
    return <NotThere of={[ombre, materials]} />
  }
  return <OpenOmbre key={ombre.data.version} flowerId={flowerId} kept={ombre.data} materials={materials.data} />
}

function OpenOmbre({ flowerId, kept, materials }: { flowerId: string; kept: OmbreAnswer; materials: Material[] }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const nameOf = nameFinder(materials)
  const saved = { plan: kept.plan, version: kept.version }
  const draft = usePasteDraft<OmbrePlan>('ombre', flowerId, saved)
  const { plan, change } = draft
  const look = usePlanLook('ombre-look', flowerId, plan, (body, signal) =>
    answer(api.POST('/api/flowers/{id}/ombre/look', { params: { path: { id: flowerId } }, body, signal })),
  )
  const save = useMutation({
    mutationFn: (kept: PasteDraft<OmbrePlan>) =>
      answer(
        api.PUT('/api/flowers/{id}/ombre', {
          params: { path: { id: flowerId } },
          headers: madeFrom(kept.version),
          body: { plan: kept.plan },
        }),
      ),
    onSuccess: async ({ version }, sent) => {
      draft.drop({ plan: sent.plan, version })
      await client.invalidateQueries({ queryKey: queries.ombre(flowerId).queryKey })
    },
  })
  const problemAt = useProblems([look.error, save.error], nameOf, 'plan')
  const shades = look.data?.shades ?? []
  const way = look.data?.ways.find((one) => one.school === plan.school)

  const setShades = (count: number) => {
    const uses = Array.from({ length: count }, (_, i) => plan.uses[i] ?? { pieceIds: [], otherG: 50 })
    const steps = Array.from({ length: count - 1 }, () => 1)
    change({ uses, steps, middle: plan.middle && plan.middle.at < count - 1 ? plan.middle : null })
  }

  return (
    <main className="w-full pb-10">
      <PlanHead term="ombre" flowerId={flowerId} kept={kept} title={t('ombre.title', { flower: kept.flowerName })}>
        <SaveRow
          draft={draft.value}
          isChanged={draft.isChanged}
          isKept={kept.version > 0}
          save={save}
          theirs={() => client.fetchQuery(aside(queries.ombre(flowerId)))}
          nameOf={nameOf}
          onDrop={(now) => draft.drop(now ?? saved)}
        />
      </PlanHead>
      <Run plan={plan} view={look.data} />
      <div className="grid gap-x-10 gap-y-6 px-4 py-4 lg:grid-cols-[22rem_minmax(0,1fr)] lg:px-6 print:hidden">
        <section aria-label={t('ombre.ends')} className="space-y-4">
          <PasteChoice
            title={t('ombre.first')}
            path="first"
            recipe={plan.first}
            colour={shades[0]?.colour}
            materials={materials}
            nameOf={nameOf}
            problemAt={problemAt}
            onRecipe={(first) => change({ first })}
          />
          {plan.middle && (
            <PasteChoice
              title={t('ombre.middle', { number: plan.middle.at + 1 })}
              path="middle.recipe"
              recipe={plan.middle.recipe}
              colour={shades[plan.middle.at]?.colour}
              materials={materials}
              nameOf={nameOf}
              problemAt={problemAt}
              onRecipe={(recipe) => change({ middle: { ...plan.middle!, recipe } })}
            />
          )}
          <PasteChoice
            title={t('ombre.last', { letter: plan.middle ? 'C' : 'B' })}
            path="last"
            recipe={plan.last}
            colour={shades.at(-1)?.colour}
            materials={materials}
            nameOf={nameOf}
            problemAt={problemAt}
            onRecipe={(last) => change({ last })}
          />
          <div>
            <div className="flex flex-wrap gap-4">
              <NumberField
                label={t('ombre.begin', { letter: plan.middle ? 'C' : 'B' })}
                unit="%"
                value={Math.round(100 * (plan.begin ?? 0))}
                problem={problemAt('begin')}
                onChange={(percent) => change({ begin: percent / 100 })}
              />
              <NumberField
                label={t('ombre.finish', { letter: plan.middle ? 'C' : 'B' })}
                unit="%"
                value={Math.round(100 * (plan.end ?? 1))}
                problem={problemAt('end')}
                onChange={(percent) => change({ end: percent / 100 })}
              />
            </div>
            <p className="quiet mt-1 max-w-prose text-xs">{t('ombre.mixHelp')}</p>
          </div>
          <Middle plan={plan} onChange={change} />
          <NumberField
            label={t('mixing.letDown.scale')}
            unit="g"
            value={plan.scaleG}
            problem={problemAt('scaleG')}
            onChange={(scaleG) => change({ scaleG })}
          />
        </section>
        <section aria-label={t('ombre.shades')} className="min-w-0">
          <div className="mb-2 flex flex-wrap items-center gap-2">
            <span className="text-sm font-semibold">{t('ombre.count', { count: plan.uses.length })}</span>
            <button
              className="btn btn-sm btn-square"
              aria-label={t('ombre.fewer')}
              disabled={plan.uses.length <= OmbrePlanLimits.uses.minItems}
              onClick={() => setShades(plan.uses.length - 1)}
            >
              <Minus size={16} aria-hidden />
            </button>
            <button
              className="btn btn-sm btn-square"
              aria-label={t('ombre.more')}
              disabled={plan.uses.length >= OmbrePlanLimits.uses.maxItems}
              onClick={() => setShades(plan.uses.length + 1)}
            >
              <Plus size={16} aria-hidden />
            </button>
            <button className="btn btn-sm" onClick={() => change({ uses: [...plan.uses].reverse() })}>
              <ArrowLeftRight size={16} aria-hidden />
              {t('ombre.reverse')}
            </button>
            <button className="btn btn-sm" onClick={() => change({ steps: plan.steps.map(() => 1) })}>
              {t('ombre.even')}
            </button>
            {look.data?.stepsOfTargets && (
              <button className="btn btn-sm" onClick={() => change({ steps: look.data!.stepsOfTargets! })}>
                {t('ombre.asTargets')}
              </button>
            )}
          </div>
          <Uses plan={plan} kept={kept} problemAt={problemAt} onChange={change} />
          <p className="quiet mt-3 text-sm">{t('ombre.curveHelp')}</p>
          <StepCurve steps={plan.steps} onSteps={(steps) => change({ steps })} />
          <Failure error={look.error} nameOf={nameOf} />
        </section>
      </div>
      {look.data && <Schools view={look.data} chosen={plan.school} onChoose={(school) => change({ school })} />}
      {way && <OmbreSheet way={way} plan={plan} kept={kept} nameOf={nameOf} />}
      <DustedRun flowerId={flowerId} plan={plan} nameOf={nameOf} />
    </main>
  )
}

/** The shades side by side without a gap, so that the eye judges the steps. */
function Run({ plan, view }: { plan: OmbrePlan; view: OmbreView | undefined }) {
  const { t } = useTranslation()
  return (
    <section aria-label={t('ombre.run')} className="surround px-4 py-5 lg:px-6">
      <ol className="flex">
        {/* As high as shades with their words, until they come. */}
        {!view && plan.uses.map((_, i) => <li key={i} aria-hidden className="h-43 flex-1" />)}
        {view?.shades.map((shade, i) => (
          <li key={i} className="min-w-0 flex-1">
            <Swatch colour={shade.colour} label={t('ombre.shade', { number: i + 1 })} className="h-28 w-full" />
            <p className="truncate pt-1 text-sm">
              <span className="font-semibold">{i + 1}</span> {grams(t, shade.grams)}
            </p>
            {shade.step !== null && <p className="truncate text-xs">{t('ombre.step', { step: deltaE(shade.step) })}</p>}
            {shade.wanted && shade.difference && (
              <div className="mt-1 flex items-center gap-1 text-xs">
                <Swatch colour={shade.wanted} className="h-4 w-6 shrink-0" />
                <span>
                  {t('ombre.wanted')}: {differenceWords(t, shade.difference)}
                </span>
              </div>
            )}
          </li>
        ))}
      </ol>
      <p className="mt-2 min-h-5 text-sm">
        {view &&
          t(plan.steps.every((step) => step === plan.steps[0]) ? 'ombre.evenness' : 'ombre.evennessAsked', {
            ratio: fixed(view.unevenness, 2),
          })}
      </p>
    </section>
  )
}

function Middle({ plan, onChange }: { plan: OmbrePlan; onChange: (part: Partial<OmbrePlan>) => void }) {
  const { t } = useTranslation()
  const inner = plan.uses.length - 2
  if (inner < 1) return null
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button
        className="btn btn-sm"
        onClick={() =>
          onChange({ middle: plan.middle ? null : { recipe: plan.first, at: Math.floor(plan.uses.length / 2) } })
        }
      >
        {t(plan.middle ? 'ombre.noMiddle' : 'ombre.addMiddle')}
      </button>
      {plan.middle && inner > 1 && (
        <label className="text-sm">
          <span className="sr-only">{t('ombre.middleAt')}</span>
          <select
            className="select select-sm"
            value={plan.middle.at}
            onChange={(event) => onChange({ middle: { ...plan.middle!, at: Number(event.target.value) } })}
          >
            {Array.from({ length: inner }, (_, i) => (
              <option key={i} value={i + 1}>
                {t('ombre.shade', { number: i + 2 })}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  )
}

function Uses({
  plan,
  kept,
  problemAt,
  onChange,
}: {
  plan: OmbrePlan
  kept: OmbreAnswer
  problemAt: ProblemAt
  onChange: (part: Partial<OmbrePlan>) => void
}) {
  const { t } = useTranslation()
  const taken = plan.uses.flatMap((use) => use.pieceIds)
  const set = (i: number, part: Partial<OmbrePlan['uses'][number]>) =>
    onChange({ uses: plan.uses.map((use, j) => (i === j ? { ...use, ...part } : use)) })
  const wrong = problemAt('uses')
  return (
    <>
      <ol className="grid gap-x-6 gap-y-3 sm:grid-cols-2 xl:grid-cols-3">
        {plan.uses.map((use, i) => {
          const label = t('ombre.shade', { number: i + 1 })
          const problem = problemAt(`uses[${i}].pieceIds`)
          return (
            <li key={i} className="border-base-300 border-t pt-2">
              <p className="text-sm font-semibold">{label}</p>
              <UsePicker
                label={label}
                uses={kept.uses}
                chosen={use.pieceIds}
                taken={taken}
                onChoose={(pieceIds) => set(i, { pieceIds })}
              />
              {problem && <Problem>{problem}</Problem>}
              <NumberField
                label={t('pastePlan.otherG')}
                unit="g"
                value={use.otherG}
                problem={problemAt(`uses[${i}].otherG`)}
                onChange={(otherG) => set(i, { otherG })}
              />
            </li>
          )
        })}
      </ol>
      {wrong && <Problem>{wrong}</Problem>}
    </>
  )
}
