import { ClipboardList, NotebookPen, Pipette, Ruler, WandSparkles } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useLocation } from 'wouter'
import type { Advice, Coat, Material, Plan, Zone } from '../../api/api'
import { zones } from '../../api/api'
import { Problem, Reading } from '../../shared/Message'
import { later } from '../../shared/later'
import { PageTitle } from '../../shared/PageTitle'
import { useKeys } from '../../shared/useKeys'
import { grams, problemWords, zoneName } from '../../shared/words'
import { AdviceList } from './AdviceList'
import { BuildUp, zonesThere } from './BuildUp'
import { RunsShort } from './RunsShort'
import { SaveBanner } from './SaveBanner'
import { CoatEditor } from './CoatEditor'
import { coatName } from './coatWords'
import { nameFinder } from '../../shared/words'
import { Notes } from './Notes'
import type { Opened } from './opened'
import { PasteEditor } from './PasteEditor'
import { PieceSides } from './PieceSides'
import { addCoat, changeCoat, moveCoat, removeCoat, setGround, setPaste, setTarget } from './planEdits'
import type { PlanSession, Session } from '../../core/PlanSession'
import { TargetEditor } from './TargetEditor'
import { Tray } from './Tray'
import { UndoButtons } from './UndoButtons'
import { coatFrom, useBeginnings } from './useBeginnings'

// What is asked for now and then comes when it is.
const LogForm = later('log-form', async () => (await import('./LogForm')).LogForm, ['jars'])

const PieceEditor = later('piece-editor', async () => (await import('./PieceEditor')).PieceEditor)

const Proposals = later('proposals', async () => (await import('./Proposals')).Proposals)

/** The chosen piece: its ribbons, what is opened under them, its picture, and the tray. */
export function PieceWorkplace({
  session,
  state,
  flowerId,
  flowerName,
  materials,
}: {
  session: PlanSession
  state: Session
  flowerId: string
  flowerName: string
  materials: Material[]
}) {
  const { t } = useTranslation()
  const [, go] = useLocation()
  const [opened, setOpened] = useState<Opened>(null)
  const [said, setSaid] = useState('')
  const { piece, plan, preview, problems } = state
  const beginnings = useBeginnings()
  const nameOf = nameFinder(materials)
  useKeys({
    r: () => void go(`/flowers/${flowerId}/${state.piece.id}/run-sheet`),
    t: () => void go(`/flowers/${flowerId}/targets?piece=${state.piece.id}`),
    p: () => setOpened({ kind: 'proposals' }),
  })
  if (!preview) return problems.length > 0 || state.previewIsOld ? <NoPreview state={state} /> : <Reading />

  const edit = (change: (plan: Plan) => Plan) => session.edit(change)
  const problemAt = (path: string) => {
    const problem = problems.find((one) => one.path === path)
    return problem && problemWords(t, problem, nameOf)
  }
  // What the server mended is the plan that it was asked about: an edit made meanwhile is not thrown away for it.
  const mend = (mended: Plan) => edit((old) => (old === state.previewOf ? mended : old))
  const toggle = (what: Opened) => setOpened((old) => (JSON.stringify(old) === JSON.stringify(what) ? null : what))
  const take = (what: Material | 'steam') => {
    const coat = coatFrom(beginnings, what === 'steam' ? what : what.id)
    edit((old) => addCoat(old, coat, opened?.kind === 'coat' ? opened.id : undefined))
    setOpened({ kind: 'coat', id: coat.id })
    setSaid(t('tray.added', { name: coatName(t, coat, undefined, nameOf) }))
  }
  const nameOfZone = (zone: Zone) => zoneName(t, zone, piece.build)
  const { there, all } = zonesThere(preview)
  const adviceOn = (advice: Advice[]) => (
    <AdviceList
      advice={advice}
      plan={plan}
      preview={preview}
      nameOf={nameOf}
      zoneName={nameOfZone}
      onPlan={(changed) => edit(() => changed)}
      onMend={mend}
    />
  )

  return (
    <div className="flex min-h-0 min-w-0 flex-col">
      <main className="flex min-h-0 grow flex-col lg:grid lg:grid-cols-[minmax(0,1fr)_16rem] lg:overflow-y-auto">
        <div className="min-w-0">
          <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 px-4 pt-3 pb-2">
            <PageTitle className="text-2xl" title={`${piece.name}, ${flowerName}`}>
              {piece.name}
            </PageTitle>
            <p className="quiet text-sm">
              {t(piece.solid ? 'piece.solid' : 'piece.flat', {
                length: piece.lengthMm,
                width: piece.widthMm,
                thickness: piece.thicknessMm,
                mass: grams(t, piece.pieceG),
                ball: piece.ball,
              })}
            </p>
            <p className="ml-auto text-sm">{t('piece.there', { there, all })}</p>
            <UndoButtons session={session} state={state} />
          </div>
          <SaveBanner session={session} state={state} />
          <RunsShort pieceId={piece.id} nameOf={nameOf} />
          {problems.length > 0 && (
            <div role="alert" className="px-4 pb-2">
              <Problem>{t('piece.cannotBe', { count: problems.length })}</Problem>
            </div>
          )}
          <BuildUp
            plan={plan}
            preview={preview}
            opened={opened}
            onOpen={toggle}
            build={piece.build}
            nameOf={nameOf}
            troubled={troubledParts(state)}
          />
          <p className="sr-only" role="status">
            {said}
          </p>
          {openedEditor()}
          <div className="border-base-300 order-last flex flex-wrap gap-x-5 gap-y-1 border-t px-4 py-2 text-sm">
            <Link className="act flex items-center gap-1" to={`/flowers/${flowerId}/${piece.id}/run-sheet`}>
              <ClipboardList size={16} aria-hidden />
              {t('piece.runSheet')}
            </Link>
            <Link className="act flex items-center gap-1" to={`/flowers/${flowerId}/targets?piece=${piece.id}`}>
              <Pipette size={16} aria-hidden />
              {t('piece.targets')}
            </Link>
            <button className="act flex items-center gap-1" onClick={() => toggle({ kind: 'proposals' })}>
              <WandSparkles size={16} aria-hidden />
              {t('proposals.open')}
            </button>
            <button className="act flex items-center gap-1" onClick={() => toggle({ kind: 'piece' })}>
              <Ruler size={16} aria-hidden />
              {t('make.openShape')}
            </button>
            <button className="act flex items-center gap-1" onClick={() => toggle({ kind: 'log' })}>
              <NotebookPen size={16} aria-hidden />
              {t('piece.log')}
            </button>
          </div>
          {!opened && (
            <Notes piece={piece} plan={plan} preview={preview} nameOf={nameOf}>
              {adviceOn(preview.advice)}
            </Notes>
          )}
        </div>
        <div className="surround order-first min-w-0 lg:order-none">
          <PieceSides
            piece={piece}
            plan={plan}
            preview={preview}
            viewing={state.viewing}
            flowerId={flowerId}
            nameOf={nameOf}
            isOld={state.previewIsOld || problems.length > 0}
            onLook={(viewing) => session.look(viewing)}
          />
        </div>
      </main>
      {opened?.kind !== 'proposals' && opened?.kind !== 'piece' && <Tray materials={materials} onTake={take} />}
    </div>
  )

  // A plain function: as a component of its own it would be a new one at each edit and lose the focus.
  function openedEditor() {
    if (!opened || !preview) return null
    const close = () => setOpened(null)
    switch (opened.kind) {
      case 'paste':
        return (
          <PasteEditor
            piece={piece}
            plan={plan}
            preview={preview}
            materials={materials}
            nameOf={nameOf}
            problemAt={problemAt}
            onGround={(lab) => edit((old) => setGround(old, lab))}
            onPaste={(paste) => edit((old) => setPaste(old, paste))}
            onBatch={(batchId) => edit((old) => ({ ...old, batchId }))}
            onClose={close}
          />
        )
      case 'target': {
        const view = preview.zones.find((zone) => zone.zone === opened.zone)
        return (
          view && (
            <TargetEditor
              key={opened.zone}
              view={view}
              zone={nameOfZone(view.zone)}
              target={plan.targets[opened.zone]!}
              problem={problemAt(`targets.${opened.zone}.colour`)}
              spreadProblem={problemAt(`targets.${opened.zone}.spread`)}
              onChange={(lab) => edit((old) => setTarget(old, opened.zone, lab))}
              onClose={close}
            />
          )
        )
      }
      case 'proposals':
        return (
          <Proposals
            piece={piece}
            plan={plan}
            isPasteSettled={preview.source.kind !== 'own'}
            flowerId={flowerId}
            nameOf={nameOf}
            zoneName={nameOfZone}
            onTake={(one) => {
              edit(() => one.plan)
              setOpened(null)
              setSaid(t('proposals.taken'))
            }}
            onClose={close}
          />
        )
      case 'piece':
        return <PieceEditor piece={piece} flowerId={flowerId} isSaved={state.save.kind === 'saved'} onClose={close} />
      case 'log':
        return (
          <LogForm
            piece={piece}
            flowerId={flowerId}
            preview={preview}
            baseId={plan.paste.baseId}
            isSaved={state.save.kind === 'saved'}
            onClose={close}
          />
        )
      case 'coat': {
        const place = plan.coats.findIndex((coat) => coat.id === opened.id)
        const coat = plan.coats[place]
        if (!coat) return null
        const view = preview.coats.find((one) => one.id === coat.id)
        return (
          <>
            <CoatEditor
              key={coat.id}
              coat={coat}
              pieceId={piece.id}
              flowerId={flowerId}
              view={view}
              loads={preview.loads}
              place={place}
              count={plan.coats.length}
              materials={materials}
              nameOf={nameOf}
              problemAt={(path) => problemAt(`coats[${place}].${path}`)}
              onChange={(changed: Coat) => edit((old) => changeCoat(old, changed))}
              onMove={(by) => {
                edit((old) => moveCoat(old, coat.id, by))
                setSaid(t(by < 0 ? 'editor.movedEarlier' : 'editor.movedLater'))
              }}
              onRemove={() => {
                edit((old) => removeCoat(old, coat.id))
                setOpened(null)
                setSaid(t('editor.removed', { name: coatName(t, coat, view, nameOf) }))
              }}
              onClose={close}
            />
            <div className="px-4 pb-3 text-sm">{adviceOn(preview.advice.filter((one) => one.coatId === coat.id))}</div>
          </>
        )
      }
    }
  }
}

/** Which columns and zones have something wrong, so that a closed one can say so. */
function troubledParts({ problems, plan }: Session): Set<string> {
  const parts = new Set<string>()
  for (const { path } of problems) {
    const coat = /^coats\[(\d+)\]/.exec(path)
    if (coat) parts.add(plan.coats[Number(coat[1])]?.id ?? '')
    if (path.startsWith('paste') || path === 'ground' || path === 'batchId') parts.add('paste')
    for (const zone of zones) if (path.startsWith(`targets.${zone}`)) parts.add(zone)
  }
  return parts
}

function NoPreview({ state }: { state: Session }) {
  const { t } = useTranslation()
  return (
    <div role="alert" className="p-6">
      <p>{t(state.previewIsOld ? 'trouble.offline' : 'piece.cannotShow')}</p>
    </div>
  )
}
