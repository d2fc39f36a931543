import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { useTranslation } from 'react-i18next'
import { Link, Navigate, useParams } from 'react-router'
import type { FlowerAnswer, Material } from '../../api/api'
import { queries } from '../../api/queries'
import { FrameState } from '../../shared/FrameState'
import { Reading, Unreadable } from '../../shared/Message'
import { flowerCount } from '../../shared/words'
import { PieceWorkplace } from './PieceWorkplace'
import { SaveWords } from './SaveWords'
import { Stem } from './Stem'
import { usePlanSession } from './usePlanSession'

/** One flower: its stem at the left, and the chosen piece with its build-up. */
export function FlowerPage() {
  const { flowerId = '', pieceId } = useParams()
  const flower = useQuery(queries.flower(flowerId))
  const materials = useQuery(queries.materials())
  const failed = flower.error ?? materials.error
  if (failed && !flower.data) {
    return (
      <Unreadable
        error={failed}
        retry={() => {
          void flower.refetch()
          void materials.refetch()
        }}
      />
    )
  }
  if (!flower.data || !materials.data) return <Reading />
  if (!pieceId) {
    // The first whorl of the open flower says most about it.
    const first = flower.data.pieces.find((piece) => piece.partOf === 'flower') ?? flower.data.pieces[0]
    return first ? <Navigate replace to={`/flowers/${flowerId}/${first.id}`} /> : <Reading />
  }
  return <Workplace key={pieceId} flower={flower.data} pieceId={pieceId} materials={materials.data} />
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
        <span className="quiet hidden md:inline">
          {flower.commission.name} · {t('commission.due', { count: flower.commission.dueInDays })}
        </span>
        {state && <SaveWords save={state.save} />}
      </FrameState>
      <aside className="border-base-300 flex min-w-0 flex-col gap-2 border-b p-4 lg:overflow-y-auto lg:border-r lg:pr-2 lg:border-b-0">
        <div>
          <p className="text-xs">
            <Link className="act" to="/commissions">
              {flower.commission.name}
            </Link>
          </p>
          <p className="name text-2xl">{flower.name}</p>
          <p className="quiet text-sm">{flowerCount(t, flower)}</p>
          <p className="mt-1 flex gap-x-4 text-sm">
            <Link className="act" to={`/flowers/${flower.id}/ombre`}>
              {t('ombre.open')}
            </Link>
            <Link className="act" to={`/flowers/${flower.id}/marble`}>
              {t('marble.open')}
            </Link>
          </p>
        </div>
        <Stem flower={flower} chosenId={pieceId} />
      </aside>
      {error ? (
        <Unreadable error={error} retry={retry} />
      ) : session && state ? (
        <PieceWorkplace session={session} state={state} flowerId={flower.id} materials={materials} />
      ) : (
        <Reading />
      )}
    </div>
  )
}
