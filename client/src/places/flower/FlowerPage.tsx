import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Plus } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, Redirect, useParams } from 'wouter'
import type { FlowerAnswer, Material } from '../../api/api'
import { queries } from '../../api/queries'
import { FrameState } from '../../shared/FrameState'
import { NotThere, Reading, Unreadable } from '../../shared/Message'
import { PageTitle } from '../../shared/PageTitle'
import { dueWords } from '../../shared/words'
import { FlowerHead } from './FlowerHead'
import { PieceWorkplace } from './PieceWorkplace'
import { SaveWords } from './SaveWords'
import { Stem } from './Stem'
import { usePlanSession } from './usePlanSession'

/** One flower: its stem at the left, and the chosen piece with its build-up. */
export function FlowerPage() {
  const { flowerId = '', pieceId } = useParams()
  const flower = useQuery(queries.flower(flowerId))
  const materials = useQuery(queries.materials())
  const beginnings = useQuery(queries.coatBeginnings())
  if (!flower.data || !materials.data || !beginnings.data) return <NotThere of={[flower, materials, beginnings]} />
  if (!pieceId) {
    // The first whorl of the open flower says most about it.
    const first = flower.data.pieces.find((piece) => piece.partOf === 'flower') ?? flower.data.pieces[0]
    return first ? <Redirect replace to={`/flowers/${flowerId}/${first.id}`} /> : <NoPieces flower={flower.data} />
  }
  const piece = flower.data.pieces.find((one) => one.id === pieceId)
  // Another shape is another piece to look at: everything about it is read anew.
  return (
    <Workplace
      key={`${pieceId} ${JSON.stringify(piece?.piece)}`}
      flower={flower.data}
      pieceId={pieceId}
      materials={materials.data}
    />
  )
}

/** A flower begins with its first piece. */
function NoPieces({ flower }: { flower: FlowerAnswer }) {
  const { t } = useTranslation()
  return (
    <main className="p-6">
      <PageTitle className="sr-only" title={flower.name} />
      <FlowerHead flower={flower} />
      <p className="mt-3 max-w-prose">{t('make.noPieces')}</p>
      <Link className="btn btn-sm btn-primary mt-3" to={`/flowers/${flower.id}/new-piece`}>
        {t('make.addPiece')}
      </Link>
    </main>
  )
}

function Workplace({ flower, pieceId, materials }: { flower: FlowerAnswer; pieceId: string; materials: Material[] }) {
  const { t } = useTranslation()
  const queryClient = useQueryClient()
  const { session, state, error, retry } = usePlanSession(pieceId)
  const kind = state?.save.kind
  const before = useRef(kind)

  // The stem shows finished colours: it is read again when a change has been saved.
  useEffect(() => {
    if (kind === 'saved' && before.current !== undefined && before.current !== kind) {
      void queryClient.invalidateQueries({ queryKey: queries.flower(flower.id).queryKey })
      void queryClient.invalidateQueries({ queryKey: queries.needs().queryKey })
    }
    before.current = kind
  }, [kind, queryClient, flower.id])

  return (
    <div className="grid grow grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] lg:h-[calc(100dvh-3.5rem)] lg:grid-cols-[12rem_minmax(0,1fr)] lg:grid-rows-[minmax(0,1fr)]">
      <FrameState>
        <span className="quiet hidden md:inline">{dueWords(t, flower.commission)}</span>
        {state && <SaveWords save={state.save} />}
      </FrameState>
      <aside className="border-base-300 flex min-w-0 flex-col gap-2 border-b p-4 lg:overflow-y-auto lg:border-r lg:pr-2 lg:border-b-0">
        <FlowerHead flower={flower} />
        <Stem flower={flower} chosenId={pieceId} />
        <Link className="act flex min-h-6 items-center gap-1 text-sm" to={`/flowers/${flower.id}/new-piece`}>
          <Plus size={15} aria-hidden />
          {t('make.addPiece')}
        </Link>
      </aside>
      {error ? (
        <Unreadable error={error} retry={retry} />
      ) : session && state ? (
        <PieceWorkplace
          session={session}
          state={state}
          flowerId={flower.id}
          flowerName={flower.name}
          materials={materials}
        />
      ) : (
        <Reading />
      )}
    </div>
  )
}
