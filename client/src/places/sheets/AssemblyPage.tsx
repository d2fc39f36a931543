import { useQuery, useQueryClient } from '@tanstack/react-query'
import { ArrowDown, ArrowUp, Plus } from 'lucide-react'
import { Link, useParams } from 'wouter'
import type { Assembly, AssemblyPlan, AssemblyStage, Dusting } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { AssemblyStageLimits } from '../../api/limits'
import { aside, queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { NotThere, Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { PageTitle } from '../../shared/PageTitle'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'
import { useHousePlan } from './useHousePlan'
import { CheckField } from '../../shared/CheckField'

/** How a flower is put together, stage by stage. */
export function AssemblyPage() {
  const { flowerId = '' } = useParams()
  const assembly = useQuery({ ...queries.assembly(flowerId), refetchOnWindowFocus: false })
  if (!assembly.data) return <NotThere of={[assembly]} />
  return <OpenAssembly key={assembly.data.version} flowerId={flowerId} kept={assembly.data} />
}

const dustings: Dusting[] = ['beforeAssembly', 'asPlanned', 'afterAssembly']
const joinings = ['taped', 'glued', 'halfGlued', 'hooked'] as const
const drynesses = ['leathery', 'firm', 'boneDry'] as const
const poses = ['standing', 'hanging'] as const

function OpenAssembly({ flowerId, kept }: { flowerId: string; kept: Assembly }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const path = { params: { path: { id: flowerId } } }
  const { plan, change, isChanged, problemAt, head } = useHousePlan<AssemblyPlan>('assembly', flowerId, kept, {
    read: () => client.fetchQuery(aside(queries.assembly(flowerId))),
    save: ({ plan: body, version }) =>
      answer(api.PUT('/api/flowers/{id}/assembly', { ...path, headers: madeFrom(version), body })),
    asTheHouse: (version) =>
      answer(api.POST('/api/flowers/{id}/assembly/as-the-house', { ...path, headers: madeFrom(version) })),
  })
  const nameOf = (id: string) => kept.pieces.find((piece) => piece.id === id)?.name ?? id
  const setStage = (at: number, part: Partial<AssemblyStage>) =>
    change({ stages: plan.stages.map((stage, i) => (i === at ? { ...stage, ...part } : stage)) })
  const general = problemAt('stages')

  return (
    <main className="mx-auto w-full max-w-4xl p-4 pb-10 lg:p-6">
      <p className="text-xs">
        <Link className="act" to={`/flowers/${flowerId}`}>
          {kept.flowerName}
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <PageTitle className="text-2xl" title={t('assembly.title', { flower: kept.flowerName })} />
        <p className="quiet text-sm">{t(kept.isOwn ? 'assembly.own' : 'assembly.house')}</p>
      </div>
      {head}
      {kept.problems.length > 0 && !isChanged && (
        <p role="alert" className="text-error mt-2 text-sm">
          {t('assembly.leftBehind')}
        </p>
      )}
      <div className="mt-4">
        <Choice
          legend={t('dustDay.when')}
          options={dustings.map((value) => ({ value, label: t(`dustDay.choice.${value}`) }))}
          chosen={plan.dusting}
          onChoose={(dusting) => change({ dusting })}
        />
        <p className="mt-1 max-w-prose text-sm">{t(`dustDay.means.${plan.dusting}`)}</p>
      </div>
      {kept.pieces.length === 0 && <p className="mt-4 text-sm">{t('assembly.nothing')}</p>}
      {general && (
        <div role="alert" className="mt-3">
          <Problem>{general}</Problem>
        </div>
      )}
      <ol className="border-base-300 mt-4 border-t">
        {plan.stages.map((stage, at) => (
          <Stage
            key={stage.id}
            stage={stage}
            at={at}
            plan={plan}
            kept={kept}
            nameOf={nameOf}
            problemAt={(field) => problemAt(`stages[${at}].${field}`)}
            onChange={(part) => setStage(at, part)}
            onMove={(by) => change({ stages: moved(plan.stages, at, by) })}
            onRemove={() => change({ stages: without(plan.stages, at) })}
          />
        ))}
      </ol>
      <NumberField
        className="mt-3"
        label={t('assembly.groupOf')}
        whole
        value={plan.groupOf ?? null}
        problem={problemAt('groupOf')}
        onChange={(groupOf) => change({ groupOf })}
        onClear={() => change({ groupOf: null })}
      />
      {kept.pieces.length > 0 && (
        <button
          className="btn btn-sm mt-3"
          onClick={() => change({ stages: [...plan.stages, added(plan.stages, kept.pieces)] })}
        >
          <Plus size={16} aria-hidden />
          {t('assembly.add')}
        </button>
      )}
    </main>
  )
}

function Stage({
  stage,
  at,
  plan,
  kept,
  nameOf,
  problemAt,
  onChange,
  onMove,
  onRemove,
}: {
  stage: AssemblyStage
  at: number
  plan: AssemblyPlan
  kept: Assembly
  nameOf: (pieceId: string) => string
  problemAt: (field: string) => string | undefined
  onChange: (part: Partial<AssemblyStage>) => void
  onMove: (by: -1 | 1) => void
  onRemove: () => void
}) {
  const { t } = useTranslation()
  const title = stage.name || t(`assembly.kind.${stage.kind}`)
  const notIn = kept.pieces.filter((piece) => !stage.parts.some((part) => part.pieceId === piece.id))
  return (
    <li className="border-base-300 border-b py-3">
      <div className="flex flex-wrap items-center gap-2">
        <span className="quiet w-5 shrink-0 text-right">{at + 1}</span>
        <h2 className="grow font-semibold">{title}</h2>
        <button
          className="btn btn-sm btn-square"
          disabled={at === 0}
          aria-label={t('assembly.earlier', { name: title })}
          onClick={() => onMove(-1)}
        >
          <ArrowUp size={16} aria-hidden />
        </button>
        <button
          className="btn btn-sm btn-square"
          disabled={at === plan.stages.length - 1}
          aria-label={t('assembly.later', { name: title })}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={16} aria-hidden />
        </button>
        <button className="btn btn-sm" aria-label={t('assembly.removeNamed', { name: title })} onClick={onRemove}>
          {t('assembly.remove')}
        </button>
      </div>
      <div className="mt-2 grid gap-x-6 gap-y-3 pl-7 md:grid-cols-2">
        <div className="space-y-2">
          <TextField
            label={t('assembly.name')}
            value={stage.name}
            most={AssemblyStageLimits.name.maxLength}
            problem={problemAt('name')}
            className="w-full"
            onChange={(name) => onChange({ name })}
          />
          {stage.parts.map((part, i) => (
            <div key={part.pieceId} className="flex flex-wrap items-end gap-3">
              <NumberField
                label={t('assembly.perFlower', { name: nameOf(part.pieceId) })}
                value={part.perFlower}
                whole
                problem={problemAt(`parts[${i}].perFlower`) ?? problemAt(`parts[${i}].pieceId`)}
                onChange={(perFlower) =>
                  onChange({ parts: stage.parts.map((one, j) => (j === i ? { ...one, perFlower } : one)) })
                }
              />
              <button
                className="btn btn-sm"
                aria-label={t('assembly.takeOutNamed', { name: nameOf(part.pieceId) })}
                onClick={() => onChange({ parts: stage.parts.filter((_, j) => j !== i) })}
              >
                {t('assembly.takeOut')}
              </button>
            </div>
          ))}
          {problemAt('parts') && <Problem>{problemAt('parts')}</Problem>}
          {notIn.length > 0 && (
            <SelectField
              label={t('assembly.putOn')}
              value=""
              placeholder={t('assembly.choose')}
              options={notIn.map((piece) => ({ value: piece.id, label: piece.name }))}
              onChoose={(id) =>
                onChange({
                  parts: [
                    ...stage.parts,
                    { pieceId: id, perFlower: kept.pieces.find((one) => one.id === id)!.perFlower },
                  ],
                })
              }
            />
          )}
        </div>
        <div className="grid grid-cols-2 content-start gap-3">
          <SelectField
            label={t('assembly.onto')}
            value={stage.onto ?? 'nothing'}
            options={[
              { value: 'nothing', label: t('assembly.begins') },
              ...plan.stages
                .filter((other) => other.id !== stage.id)
                .map((other) => ({ value: other.id, label: other.name || t(`assembly.kind.${other.kind}`) })),
            ]}
            onChoose={(onto) => onChange({ onto: onto === 'nothing' ? null : onto })}
          />
          {problemAt('onto') && <Problem>{problemAt('onto')}</Problem>}
          <SelectField
            label={t('assembly.joining')}
            value={stage.joining}
            options={joinings.map((value) => ({ value, label: t(`joining.${value}`) }))}
            onChoose={(joining) => onChange({ joining: joining as AssemblyStage['joining'] })}
          />
          <SelectField
            label={t('assembly.dryness')}
            value={stage.dryness}
            options={drynesses.map((value) => ({ value, label: t(`assembly.dry.${value}`) }))}
            onChoose={(dryness) => onChange({ dryness: dryness as AssemblyStage['dryness'] })}
          />
          <SelectField
            label={t('assembly.pose')}
            value={stage.pose}
            options={poses.map((value) => ({ value, label: t(`assembly.posed.${value}`) }))}
            onChoose={(pose) => onChange({ pose: pose as AssemblyStage['pose'] })}
          />
          <CheckField
            label={t('assembly.byRows')}
            checked={stage.oneRowAtATime}
            className="col-span-2"
            onChange={(isChecked) => onChange({ oneRowAtATime: isChecked })}
          />
        </div>
      </div>
    </li>
  )
}

function moved(stages: AssemblyStage[], at: number, by: -1 | 1): AssemblyStage[] {
  const one = stages[at]!
  return chained(stages.toSpliced(at, 1).toSpliced(at + by, 0, one), stages)
}

function without(stages: AssemblyStage[], at: number): AssemblyStage[] {
  return chained(stages.toSpliced(at, 1), stages)
}

/** Where each went onto the one before it, it still does when the order has changed. */
function chained(stages: AssemblyStage[], was: AssemblyStage[]): AssemblyStage[] {
  const isChain = was.every((stage, i) => stage.onto === (was[i - 1]?.id ?? null))
  return isChain ? stages.map((stage, i) => ({ ...stage, onto: stages[i - 1]?.id ?? null })) : stages
}

function added(stages: AssemblyStage[], pieces: Assembly['pieces']): AssemblyStage {
  const used = (id: string) =>
    stages.flatMap((stage) => stage.parts).reduce((sum, part) => (part.pieceId === id ? sum + part.perFlower : sum), 0)
  const left = pieces.find((piece) => used(piece.id) < piece.perFlower)
  return {
    id: crypto.randomUUID(),
    kind: 'own',
    name: '',
    parts: left ? [{ pieceId: left.id, perFlower: left.perFlower - used(left.id) }] : [],
    onto: stages.at(-1)?.id ?? null,
    joining: 'taped',
    dryness: 'firm',
    oneRowAtATime: false,
    pose: 'standing',
  }
}
