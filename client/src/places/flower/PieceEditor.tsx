import { useMutation, useQueryClient } from '@tanstack/react-query'
import { ArrowDown, ArrowUp, Copy } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { useLocation } from 'wouter'
import type { Piece, PieceView } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { PieceLimits } from '../../api/limits'
import { RequestFailed } from '../../core/RequestFailed'
import { queries } from '../../api/queries'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Editor } from '../../shared/Editor'
import { Failure, WholeFailure } from '../../shared/Message'
import { hasFields } from '../../core/Kept'
import { useUnsavedForm } from '../../shared/unsavedForms'
import { useKept } from '../../shared/useKept'
import { ItIsSo } from './ItIsSo'
import { PieceFields } from './PieceFields'
import { useProblems } from '../../shared/useProblems'

/** How much smaller a copy is, to be varied from there. */
const copyScale = 0.8

const isPiece = (value: unknown): value is Piece => hasFields(value, 'name', 'outlineId', 'form')

/** What the piece is, apart from its colour: to change, to copy and vary, to move along the stem, or to take out. */
export function PieceEditor({
  piece,
  flowerId,
  isSaved,
  onClose,
}: {
  piece: PieceView
  flowerId: string
  /** The plan has no change on its way that would be in the way of this one. */
  isSaved: boolean
  onClose: () => void
}) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [, go] = useLocation()
  const kept = useKept<Piece>(`piece/${piece.id}`, piece.piece, isPiece)
  const [saved, setSaved] = useState(false)
  const flowerKey = queries.flower(flowerId).queryKey
  const readAgain = async () => {
    await client.invalidateQueries({ queryKey: flowerKey })
    void client.invalidateQueries({ queryKey: queries.commissions().queryKey })
    void client.invalidateQueries({ queryKey: ['bloom', flowerId] })
  }
  const save = useMutation({
    mutationFn: async ({ changed, sure }: { changed: Piece; sure: boolean }) => {
      // The plan may have been saved since the flower was read: the piece goes by its newest version.
      const { version, piece: now } = await answer(api.GET('/api/pieces/{id}', { params: { path: { id: piece.id } } }))
      if (JSON.stringify(now.piece) !== JSON.stringify(piece.piece)) throw new RequestFailed('changedElsewhere')
      return answer(
        api.PUT('/api/pieces/{id}', {
          params: { path: { id: piece.id }, query: { sure } },
          headers: madeFrom(version),
          body: changed,
        }),
      )
    },
    onSuccess: async (_, { changed }) => {
      kept.drop(changed)
      setSaved(true)
      await readAgain()
    },
  })
  const copy = useMutation({
    mutationFn: (made: Piece) =>
      answer(
        api.POST('/api/flowers/{id}/pieces', {
          // What is copied has been asked about before.
          params: { path: { id: flowerId }, query: { sure: true } },
          body: { piece: made, planOf: piece.id, colouring: null },
        }),
      ),
    onSuccess: async ({ id }) => {
      await readAgain()
      void go(`/flowers/${flowerId}/${id}`)
    },
  })
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/pieces/{id}', { params: { path: { id: piece.id } } })),
    onSuccess: async () => {
      void go(`/flowers/${flowerId}`)
      await readAgain()
    },
  })
  const flower = client.getQueryData(flowerKey)
  const ids = flower?.pieces.map((one) => one.id) ?? []
  const at = ids.indexOf(piece.id)
  const move = useMutation({
    mutationFn: (by: -1 | 1) => {
      const pieceIds = ids.toSpliced(at, 1).toSpliced(at + by, 0, piece.id)
      return answer(
        api.PUT('/api/flowers/{id}/pieces/order', {
          params: { path: { id: flowerId } },
          headers: madeFrom(flower?.version ?? 0),
          body: { pieceIds },
        }),
      )
    },
    onSettled: readAgain,
  })
  const failed = save.error instanceof RequestFailed ? save.error : null
  const problemAt = useProblems([save.error])
  const draft = kept.value
  const isChanged = JSON.stringify(draft) !== JSON.stringify(piece.piece)
  useUnsavedForm(isChanged)
  return (
    <Editor
      title={t('make.title', { name: piece.name })}
      onClose={onClose}
      actions={
        <>
          <button
            className="btn btn-ghost btn-sm px-2"
            disabled={at <= 0 || move.isPending}
            onClick={() => move.mutate(-1)}
          >
            <ArrowUp size={16} aria-hidden />
            {t('make.up')}
          </button>
          <button
            className="btn btn-ghost btn-sm px-2"
            disabled={at < 0 || at === ids.length - 1 || move.isPending}
            onClick={() => move.mutate(1)}
          >
            <ArrowDown size={16} aria-hidden />
            {t('make.down')}
          </button>
          <button
            className="btn btn-ghost btn-sm px-2"
            onClick={() =>
              copy.mutate({
                ...piece.piece,
                name: t('make.copyName', { name: piece.name }).slice(0, PieceLimits.name.maxLength),
                lengthMm: Math.max(PieceLimits.lengthMm.minimum, Math.round(copyScale * piece.lengthMm)),
                widthMm: Math.max(PieceLimits.widthMm.minimum, Math.round(copyScale * piece.widthMm)),
              })
            }
          >
            <Copy size={16} aria-hidden />
            {t('make.copy')}
          </button>
          <ConfirmButton toBin label={t('make.remove')} onYes={() => remove.mutate()} />
        </>
      }
    >
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (isChanged && isSaved) save.mutate({ changed: draft, sure: false })
        }}
      >
        <PieceFields
          piece={draft}
          problemAt={problemAt}
          onChange={(changed) => {
            setSaved(false)
            kept.set(changed)
          }}
        />
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button className="btn btn-sm btn-primary" disabled={!isChanged || !isSaved || save.isPending}>
            {t('make.save')}
          </button>
          <ItIsSo failed={failed} onYes={() => save.mutate({ changed: draft, sure: true })} />
          {isChanged && (
            <button type="button" className="btn btn-sm" onClick={() => kept.drop(piece.piece)}>
              {t('make.back')}
            </button>
          )}
          <p role="status" className="quiet text-sm">
            {saved && !isChanged && !failed && t('make.saved')}
          </p>
        </div>
      </form>
      <WholeFailure error={save.error} kept />
      <Failure error={copy.error ?? remove.error ?? move.error} nameOf={(id) => id} />
    </Editor>
  )
}
