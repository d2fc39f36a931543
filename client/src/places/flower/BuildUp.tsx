import { Check } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useTranslation } from '../../shared/translation'
import type { ColourView, PieceView, Plan, Preview, ZoneView } from '../../api/api'
import { zones } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { colourName, deltaE, differenceWords, dose, grams, zoneName } from '../../shared/words'
import { coatDetail, coatKind, coatName } from './coatWords'
import type { Opened } from './opened'
import { isOpen } from './opened'
import { sourceWords } from './sourceWords'
import { Term } from '../../shared/Term'
import type { TermName } from '../../shared/terms'
import { isTerm } from '../../shared/terms'

/** More coats than this stand closer. */
const mostWide = 5

/**
 * The history of a piece's colour: a ribbon for each zone, from the paste on the left through every coat to the target on the
 * right, where result and target touch. The head of a column opens what it is made of.
 */
export function BuildUp({
  plan,
  preview,
  opened,
  onOpen,
  build,
  nameOf,
  troubled,
}: {
  plan: Plan
  /** May be of an older plan, while a newer one is asked about or is not possible. */
  preview: Preview
  opened: Opened
  onOpen: (opened: Opened) => void
  /** How the piece is made, which names its zones. */
  build: PieceView['build']
  nameOf: NameOf
  /** Ids of coats with something wrong, and 'paste' or a zone. */
  troubled: Set<string>
}) {
  const { t } = useTranslation()
  // A coat that was just added, or cannot be as it is, has a head already but no colours yet.
  const stages = plan.coats.map((coat) => preview.coats.findIndex((view) => view.id === coat.id) + 1)
  const board = useRef<HTMLDivElement>(null)
  // A coat more than there is room for is brought into sight beside the target.
  const isCoatOpen = opened?.kind === 'coat'
  const last = plan.coats.at(-1)?.id
  useEffect(() => {
    if (isCoatOpen && opened.id === last) board.current?.scrollTo({ left: board.current.scrollWidth })
  }, [isCoatOpen, opened, last])
  const isNarrow = plan.coats.length > mostWide
  const columnWidth = isNarrow ? 'w-16' : 'w-19'
  return (
    <div
      ref={board}
      className="relative overflow-x-auto"
      role="region"
      aria-label={t('buildUp.title')}
      // A region that scrolls must be reachable by key.
      tabIndex={0}
    >
      <table className="w-full min-w-max table-fixed border-separate border-spacing-0 text-left">
        <caption className="sr-only">{t('buildUp.caption')}</caption>
        <colgroup>
          <col className="w-17" />
          <col className="w-22" />
          {plan.coats.map((coat) => (
            <col key={coat.id} className={columnWidth} />
          ))}
          <col className="w-19" />
          <col className="w-40" />
        </colgroup>
        <thead>
          <tr className="align-top">
            <td className="bg-base-100 sticky left-0 z-20" />
            <th scope="col" className="border-base-300 border-l p-0 font-normal">
              <Head
                kind={t('buildUp.pasteKind', { mass: grams(t, preview.batch.pasteG) })}
                name={preview.source.kind === 'own' ? nameOf(plan.paste.baseId) : sourceWords(t, preview.source)}
                detail={
                  preview.source.kind === 'own'
                    ? preview.batch.colours
                        .map((colour) => `${nameOf(colour.colourantId)} ${dose(t, colour)}`)
                        .join(', ')
                    : ''
                }
                isOpen={isOpen(opened, { kind: 'paste' })}
                isTroubled={troubled.has('paste')}
                isLow={opened !== null}
                onOpen={() => onOpen({ kind: 'paste' })}
              />
            </th>
            {plan.coats.map((coat, i) => (
              <th key={coat.id} scope="col" className="border-base-300 border-l p-0 font-normal">
                <Head
                  kind={coatKind(t, coat)}
                  name={coatName(t, coat, preview.coats[stages[i]! - 1], nameOf)}
                  detail={coatDetail(t, coat, preview.coats[stages[i]! - 1])}
                  isNarrow={isNarrow}
                  isOpen={isOpen(opened, { kind: 'coat', id: coat.id })}
                  isTroubled={troubled.has(coat.id)}
                  isLow={opened !== null}
                  onOpen={() => onOpen({ kind: 'coat', id: coat.id })}
                />
              </th>
            ))}
            <th
              scope="col"
              className="border-base-300 bg-base-100 right-40 z-10 border-l p-2 align-bottom text-sm font-semibold lg:sticky"
            >
              {t('buildUp.target')}
            </th>
            <th scope="col" className="bg-base-100 right-0 z-10 p-2 align-bottom text-xs font-normal lg:sticky">
              <Term name="deltaE">{t('buildUp.difference')}</Term>
            </th>
          </tr>
        </thead>
        <tbody className="surround">
          <tr aria-hidden>
            <td className="h-2" colSpan={plan.coats.length + 4} />
          </tr>
          {zones.map((zone) => {
            const view = preview.zones.find((z) => z.zone === zone)
            return (
              view && (
                <Ribbon
                  key={zone}
                  view={view}
                  name={zoneName(t, zone, build)}
                  term={build === 'solid' || !isTerm(zone) ? null : zone}
                  stages={[0, ...stages]}
                  isLow={opened !== null}
                  isOpen={isOpen(opened, { kind: 'target', zone })}
                  onOpen={() => onOpen({ kind: 'target', zone })}
                />
              )
            )
          })}
          <tr aria-hidden>
            <td className="h-2" colSpan={plan.coats.length + 4} />
          </tr>
        </tbody>
      </table>
    </div>
  )
}

function Head({
  kind,
  name,
  detail,
  isOpen,
  isTroubled,
  isLow,
  isNarrow = false,
  onOpen,
}: {
  kind: string
  name: string
  detail: string
  isOpen: boolean
  isTroubled: boolean
  isLow: boolean
  isNarrow?: boolean
  onOpen: () => void
}) {
  const { t } = useTranslation()
  return (
    <button
      className={`hover:bg-base-200 flex h-full w-full cursor-pointer flex-col border-t-4 py-2 text-left ${isNarrow ? 'px-1' : 'px-2'} ${isOpen ? 'border-primary' : 'border-transparent'}`}
      aria-expanded={isOpen}
      onClick={onOpen}
    >
      <span className="quiet text-[0.8125rem]">
        {kind}
        {isTroubled && <span className="text-error font-semibold"> {t('buildUp.lookHere')}</span>}
      </span>
      <span className={`leading-tight font-semibold wrap-anywhere ${isNarrow ? 'text-[0.8125rem]' : 'text-sm'}`}>
        {name}
      </span>
      {/* While something is opened below there is only room for what it is: how it is laid stands there. */}
      <span className={`mt-1 text-[0.8125rem] leading-snug wrap-anywhere ${isLow ? 'sr-only' : ''}`}>{detail}</span>
    </button>
  )
}

function Ribbon({
  view,
  name: zone,
  term,
  stages,
  isLow,
  isOpen,
  onOpen,
}: {
  view: ZoneView
  name: string
  /** The word of the trade that it is called by, if its meaning is told. */
  term: TermName | null
  /** Which of the zone's colours each column shows; 0 for a coat without any yet, except in the first. */
  stages: number[]
  /** Less high, to leave room for what is opened under the ribbons. */
  isLow: boolean
  isOpen: boolean
  onOpen: () => void
}) {
  const { t } = useTranslation()
  const there = view.difference.size === 'there'
  const height = isLow ? 'h-8' : 'h-12'
  const gap = isLow ? 'py-0.5' : 'py-1'
  return (
    <tr>
      <th scope="row" className="surround sticky left-0 z-20 pr-1 pl-4 text-sm font-semibold">
        {term ? <Term name={term}>{zone}</Term> : zone}
      </th>
      {stages.map((stage, column) => {
        const colour = column === 0 || stage > 0 ? view.colours[stage] : undefined
        return (
          <td key={column} className={`p-0 ${gap}`}>
            {colour && <Dab colour={colour} className={`${height} ${column === 0 ? 'rounded-l-full' : 'joint'}`} />}
          </td>
        )
      })}
      <td className={`surround right-40 z-10 p-0 lg:sticky ${gap}`}>
        <button
          className={`relative block ${height} w-full cursor-pointer rounded-r-full text-left ${isOpen ? 'outline-surround-ink outline-2 -outline-offset-4' : ''}`}
          style={{ backgroundColor: view.target.hex }}
          aria-expanded={isOpen}
          aria-label={t('buildUp.changeTarget', { zone, colour: colourName(t, view.target) })}
          title={t('buildUp.changeTarget', { zone, colour: colourName(t, view.target) })}
          onClick={onOpen}
        />
      </td>
      <td
        className={`surround right-0 z-10 pr-2 pl-3 leading-tight lg:sticky ${isLow ? 'flex h-9 items-center gap-2' : gap}`}
      >
        <span className={`flex items-center gap-1 text-sm font-semibold ${isLow ? 'whitespace-nowrap' : ''}`}>
          {there && <Check size={14} aria-hidden />}
          {differenceWords(t, view.difference)}
        </span>
        <span className="text-xs">
          {deltaE(view.difference.deltaE)}
          {view.streaksDeltaE != null && ` ${t('buildUp.streaks', { deltaE: deltaE(view.streaksDeltaE) })}`}
        </span>
      </td>
    </tr>
  )
}

function Dab({ colour, className }: { colour: ColourView; className: string }) {
  const { t } = useTranslation()
  const name = colourName(t, colour)
  return (
    <div className={`relative ${className}`} style={{ backgroundColor: colour.hex }} title={`${name}, ${colour.hex}`}>
      <span className="sr-only">{name}</span>
    </div>
  )
}

/** How many zones are there, for the head of the page. */
export function zonesThere(preview: Preview): { there: number; all: number } {
  return { there: preview.zones.filter((zone) => zone.difference.size === 'there').length, all: preview.zones.length }
}
