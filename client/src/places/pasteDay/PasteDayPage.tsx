import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useSearchParams } from 'wouter'
import type { Material, PasteDay } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { TickState } from '../../shared/SheetHead'
import { LetDownSteps } from '../../shared/LetDownSteps'
import { NotThere } from '../../shared/Message'
import { hangsOnTicks, tickOperations } from '../../shared/tickStep'
import type { Tickable } from '../../core/TickQueue'
import { useTicks } from '../../shared/useTicks'
import type { NameOf } from '../../shared/words'
import { dueWords, nameFinder, scale } from '../../shared/words'
import { Batches } from './Batches'
import { PasteBlock, titleOf } from './PasteBlock'
import { Quantities } from './Quantities'
import { ShoppingList } from './ShoppingList'
import { PageTitle } from '../../shared/PageTitle'
import { Term } from '../../shared/Term'

const views = ['sheet', 'quantities', 'shopping', 'batches'] as const

/** Paste day: every paste of the commissions in work, once, in the order that keeps hands and board clean. */
export function PasteDayPage() {
  const [asked, setAsked] = useSearchParams()
  const chosen = asked.getAll('commission')
  const day = useQuery({ ...queries.pasteDay(chosen), placeholderData: keepPreviousData })
  const materials = useQuery(queries.materials())
  if (!day.data || !materials.data) {
    return <NotThere of={[day, materials]} />
  }
  return (
    <OpenDay
      day={day.data}
      chosen={chosen}
      materials={materials.data}
      onChoose={(ids) => setAsked(ids.map((id): [string, string] => ['commission', id]))}
    />
  )
}

function OpenDay({
  day,
  chosen,
  materials,
  onChoose,
}: {
  day: PasteDay
  chosen: string[]
  materials: Material[]
  onChoose: (commissionIds: string[]) => void
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const nameOf = nameFinder(materials)
  const [asked] = useSearchParams()
  const [view, setView] = useState<(typeof views)[number]>(asked.has('batch') ? 'batches' : 'sheet')
  // What is delivered or put away is only planned for if it was asked for.
  const offered = day.commissions.filter(({ commission }) => commission.isOpen || chosen.includes(commission.id))
  const open = day.commissions.filter(({ commission }) => commission.isOpen).map(({ commission }) => commission.id)
  const isIn = (id: string) => (chosen.length === 0 ? open : chosen).includes(id)
  const ticks = useTicks(
    'paste-day',
    (id, { ticked, fingerprint }) => tickOperations({ [id]: fingerprint }, ticked),
    () => client.invalidateQueries({ predicate: ({ queryKey }) => hangsOnTicks.includes(String(queryKey[0])) }),
  )
  const done = day.blocks.filter(ticks.isTicked).length
  const next = day.blocks.find((block) => !ticks.isTicked(block))
  const rests = day.blocks.filter((block) => block.restHours > 0)
  return (
    <main className="mx-auto w-full max-w-6xl px-4 pt-5 pb-10 lg:px-6 print:max-w-none print:p-0 print:text-[0.72rem] print:leading-tight print:[&_.text-sm]:text-[0.72rem] print:[&_.text-sm]:leading-tight">
      <TickState waiting={ticks.waiting} />
      <PageTitle className="text-3xl print:text-xl" title={t('pasteDay.title')} />
      <fieldset className="mt-2 flex flex-wrap gap-x-6 gap-y-1">
        <legend className="quiet text-xs">{t('pasteDay.commissions')}</legend>
        {offered.map(({ commission }) => (
          <label
            key={commission.id}
            className={`flex cursor-pointer items-center gap-2 text-sm ${isIn(commission.id) ? '' : 'print:hidden'}`}
          >
            <input
              type="checkbox"
              className="checkbox checkbox-sm print:hidden"
              checked={isIn(commission.id)}
              onChange={(event) => {
                const ids = offered
                  .map((one) => one.commission.id)
                  .filter((id) => (id === commission.id ? event.target.checked : isIn(id)))
                if (ids.length > 0) onChoose(ids.join() === open.join() ? [] : ids)
              }}
            />
            {commission.name}
            <span className="quiet">{dueWords(t, commission)}</span>
          </label>
        ))}
      </fieldset>
      <div className="mt-3 flex flex-wrap items-end gap-4 print:hidden">
        <Choice
          legend={t('pasteDay.view')}
          options={views.map((value) => ({ value, label: t(`pasteDay.${value}`) }))}
          chosen={view}
          onChoose={setView}
        />
        <button className="btn btn-sm ml-auto" onClick={() => window.print()}>
          <Printer size={16} aria-hidden />
          {t('runSheet.print')}
        </button>
      </div>
      {view === 'quantities' && <Quantities day={day} isIn={isIn} nameOf={nameOf} />}
      {view === 'shopping' && <ShoppingList day={day} chosen={chosen} materials={materials} />}
      {view === 'batches' && <Batches nameOf={nameOf} />}
      {view === 'sheet' && (
        <>
          <p className="mt-3 text-sm" role="status">
            {next
              ? t('pasteDay.progress', {
                  done,
                  all: day.blocks.length,
                  mass: scale(
                    t,
                    day.blocks.reduce((sum, block) => sum + block.totalG, 0),
                  ),
                })
              : t('pasteDay.finished', { all: day.blocks.length })}
          </p>
          {day.blocks.length === 0 && <p className="mt-2">{t('pasteDay.none')}</p>}
          {day.notMade.map((one) => (
            <p key={one.flowerId + one.kind} role="alert" className="mt-1 text-sm">
              <Link className="act" to={`/flowers/${one.flowerId}/${one.kind}`}>
                {t(`pasteDay.open.${one.kind}`)}
              </Link>{' '}
              {t('pasteDay.notMade', { flower: one.flowerName })}
            </p>
          ))}
          <LetDowns day={day} nameOf={nameOf} isTicked={ticks.isTicked} onTick={ticks.setTicked} />
          <ol className="border-base-300 mt-3 border-t">
            {day.blocks.map((block, i) => (
              <PasteBlock
                key={block.key}
                number={i + 1}
                block={block}
                day={day}
                nameOf={nameOf}
                isNext={block === next}
                isTicked={ticks.isTicked(block)}
                isNewFamily={i > 0 && day.blocks[i - 1]!.family !== block.family}
                onTick={(ticked) => ticks.setTicked(block, ticked)}
              />
            ))}
          </ol>
          {rests.length > 0 && (
            <section className="mt-4 break-inside-avoid text-sm">
              <h2 className="font-semibold">{t('pasteDay.rest')}</h2>
              <p>
                {t('pasteDay.restWords', {
                  least: Math.ceil(Math.min(...rests.map((block) => block.restHours))),
                  most: Math.ceil(Math.max(...rests.map((block) => block.restHours))),
                })}
              </p>
            </section>
          )}
          <section className="mt-4 break-inside-avoid text-sm">
            <h2 className="font-semibold">{t('caution.title')}</h2>
            <p>{t('caution.gloves')}</p>
            <p className="quiet mt-1">{t('caution.defer')}</p>
          </section>
        </>
      )}
    </main>
  )
}

/** What is too little to measure, made measurable before the pastes are begun. */
function LetDowns({
  day,
  nameOf,
  isTicked,
  onTick,
}: {
  day: PasteDay
  nameOf: NameOf
  isTicked: (step: Tickable) => boolean
  onTick: (step: Tickable, ticked: boolean) => void
}) {
  const { t } = useTranslation()
  if (day.letDowns.length === 0) return null
  return (
    <section aria-labelledby="let-downs" className="mt-3">
      <h2 id="let-downs" className="font-semibold">
        <Term name="letDown">{t('pasteDay.letDowns')}</Term>
      </h2>
      <p className="quiet text-sm">{t('pasteDay.letDownsLeft')}</p>
      <ul className="print:columns-2">
        {day.letDowns.map((one) => {
          const block = day.blocks.find((other) => other.key === one.blockKey)
          const title = t('pasteDay.letDown', { name: nameOf(one.colourantId), paste: block && titleOf(t, block, day) })
          return (
            <li key={one.key} className="flex break-inside-avoid gap-3 px-2 py-1 print:py-0">
              <input
                type="checkbox"
                className="checkbox checkbox-primary mt-0.5"
                aria-label={t('pasteDay.done', { title })}
                checked={isTicked(one)}
                onChange={(event) => onTick(one, event.target.checked)}
              />
              <div className="min-w-0">
                <p className={`text-sm font-semibold ${isTicked(one) ? 'quiet line-through' : ''}`}>{title}</p>
                {one.changedSince && isTicked(one) && (
                  <p className="text-error text-sm font-semibold">{t('runSheet.changed')}</p>
                )}
                <LetDownSteps letDown={one.letDown} name={nameOf(one.colourantId)} />
              </div>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
