import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { useParams } from 'wouter'
import type { Material, RunSheet, RunStepView } from '../../api/api'
import { queries } from '../../api/queries'
import { NotThere } from '../../shared/Message'
import { SheetHead } from '../../shared/SheetHead'
import { cabinetHangsOnTicks, tickSteps } from '../../shared/tickStep'
import { useTicks } from '../../shared/useTicks'
import { dayWords, nameFinder } from '../../shared/words'
import { cautionsOf, stepWords } from './stepWords'

/** The steps for all pieces of a kind: to tick at the bench, or to print. */
export function RunSheetPage() {
  const { flowerId = '', pieceId = '' } = useParams()
  const sheet = useQuery(queries.runSheet(pieceId))
  const materials = useQuery(queries.materials())
  if (!sheet.data || !materials.data) return <NotThere of={[sheet, materials]} />
  return <Sheet sheet={sheet.data} flowerId={flowerId} materials={materials.data} />
}

function Sheet({ sheet, flowerId, materials }: { sheet: RunSheet; flowerId: string; materials: Material[] }) {
  const { t } = useTranslation()
  const nameOf = nameFinder(materials)
  const client = useQueryClient()
  const ticks = useTicks(
    sheet.piece.id,
    (step, { ticked, fingerprint }) => tickSteps(sheet.piece.id, { [step]: fingerprint }, ticked),
    () =>
      client.invalidateQueries({
        predicate: ({ queryKey }) => ['run-sheet', ...cabinetHangsOnTicks].includes(String(queryKey[0])),
      }),
  )
  const stepOf = (view: RunStepView) => ({ ...view, key: view.step.key })
  const isTicked = (view: RunStepView) => ticks.isTicked(stepOf(view))
  const done = sheet.steps.filter(isTicked).length
  const next = sheet.steps.find((step) => !isTicked(step))
  const cautions = cautionsOf(sheet.steps)
  return (
    <main className="mx-auto w-full max-w-3xl p-4 lg:p-6 print:max-w-none print:p-0">
      <SheetHead
        back={{
          to: `/flowers/${flowerId}/${sheet.piece.id}`,
          label: t('runSheet.back', { flower: sheet.flowerName, piece: sheet.piece.name.toLowerCase() }),
        }}
        title={t('runSheet.title', { flower: sheet.flowerName, piece: sheet.piece.name.toLowerCase() })}
        aside={`${sheet.commission.name}, ${t('runSheet.due', { date: dayWords(sheet.commission.dueOn) })}`}
        waiting={ticks.waiting}
      />
      <p className="mt-1 text-sm" role="status">
        {next
          ? t('runSheet.progress', { done, all: sheet.steps.length })
          : t('runSheet.finished', { all: sheet.steps.length })}
      </p>
      <ol className="border-base-300 mt-4 border-t">
        {sheet.steps.map((view, i) => {
          const words = stepWords(t, view.step, nameOf)
          const ticked = isTicked(view)
          return (
            <li
              key={view.step.key}
              aria-current={view === next ? 'step' : undefined}
              className={`border-base-300 break-inside-avoid border-b ${view === next ? 'bg-base-200 print:bg-transparent' : ''}`}
            >
              <label className="flex cursor-pointer gap-4 px-2 py-3 print:py-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-primary mt-0.5"
                  checked={ticked}
                  onChange={(event) => ticks.setTicked(stepOf(view), event.target.checked)}
                />
                <span className="quiet w-5 text-right">{i + 1}</span>
                <span className="grow">
                  <span className={`block font-semibold ${ticked ? 'quiet line-through' : ''}`}>{words.what}</span>
                  {words.how && <span className="block text-sm">{words.how}</span>}
                  {view.changedSince && ticked && (
                    <span className="text-error block text-sm font-semibold">{t('runSheet.changed')}</span>
                  )}
                </span>
              </label>
            </li>
          )
        })}
      </ol>
      <section className="mt-6 break-inside-avoid text-sm">
        <h2 className="font-semibold">{t('caution.title')}</h2>
        <ul className="mt-1 list-disc pl-5">
          {cautions.map((caution) => (
            <li key={caution}>{t(`caution.${caution}`)}</li>
          ))}
        </ul>
        <p className="quiet mt-2">{t('caution.defer')}</p>
      </section>
    </main>
  )
}
