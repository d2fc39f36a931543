import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link, useLocation, useParams } from 'wouter'
import type { Piece } from '../../api/api'
import { answer, api } from '../../api/api'
import { RequestFailed } from '../../core/RequestFailed'
import { queries } from '../../api/queries'
import { Failure, Reading, Unreadable } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { hasFields } from '../../core/Kept'
import { useKept } from '../../shared/useKept'
import { ItIsSo } from './ItIsSo'
import { PieceFields } from './PieceFields'
import { useProblems } from '../../shared/useProblems'
import { PageTitle } from '../../shared/PageTitle'

interface Draft {
  piece: Piece
  /** Id of the natural colouring that its targets begin from; empty for a plain cream. */
  colouring: string
}

const isDraft = (value: unknown): value is Draft => hasFields(value, 'piece', 'colouring')

/** Another kind of piece for a flower, from a blank. */
export function NewPiecePage() {
  const { flowerId = '' } = useParams()
  const { t } = useTranslation()
  const client = useQueryClient()
  const [, go] = useLocation()
  const flower = useQuery(queries.flower(flowerId))
  const starts = useQuery(queries.startingPoints()).data ?? []
  const kept = useKept<Draft>(`new-piece/${flowerId}`, blank(t('make.firstName')), isDraft)
  const { piece, colouring } = kept.value
  const add = useMutation({
    mutationFn: (sure: boolean) =>
      answer(
        api.POST('/api/flowers/{id}/pieces', {
          params: { path: { id: flowerId }, query: { sure } },
          body: { piece, colouring: colouring || null, planOf: null },
        }),
      ),
    onSuccess: async ({ id }) => {
      kept.drop(blank(t('make.firstName')))
      await client.invalidateQueries({ queryKey: queries.flower(flowerId).queryKey })
      void client.invalidateQueries({ queryKey: queries.commissions().queryKey })
      void go(`/flowers/${flowerId}/${id}`)
    },
  })
  const problemAt = useProblems([add.error])
  if (!flower.data)
    return flower.error ? <Unreadable error={flower.error} retry={() => void flower.refetch()} /> : <Reading />
  const failed = add.error instanceof RequestFailed ? add.error : null
  const own = failed?.problems.filter((problem) => problem.path !== 'piece') ?? []
  return (
    <main className="w-full p-4 lg:p-6">
      <p className="text-xs">
        <Link className="act" to={`/flowers/${flowerId}`}>
          {flower.data.name}
        </Link>
      </p>
      <PageTitle className="mb-3 text-2xl" title={t('make.addTitle', { flower: flower.data.name })} />
      <form
        onSubmit={(event) => {
          event.preventDefault()
          add.mutate(false)
        }}
      >
        <PieceFields
          piece={piece}
          problemAt={problemAt}
          onChange={(changed) => kept.set({ piece: changed, colouring })}
        />
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <SelectField
            label={t('make.colouring')}
            value={colouring}
            options={[
              { value: '', label: t('make.plain') },
              ...starts.map((start) => ({
                value: start.id,
                label: [start.name, start.part, start.variant].filter(Boolean).join(', '),
              })),
            ]}
            onChoose={(chosen) => kept.set({ piece, colouring: chosen })}
          />
          <button className="btn btn-sm btn-primary" disabled={add.isPending}>
            {t('make.add')}
          </button>
          <ItIsSo failed={failed} onYes={() => add.mutate(true)} />
        </div>
        {failed && own.length === 0 && <Failure error={failed} nameOf={(id) => id} kept />}
      </form>
    </main>
  )
}

function blank(name: string): Draft {
  return {
    piece: {
      name,
      outlineId: 'round-petal',
      lengthMm: 40,
      widthMm: 38,
      thicknessMm: 0.5,
      solid: false,
      partOf: 'flower',
      perPart: 5,
      spareShare: 0.2,
      form: { role: 'petal', arrangement: 'ring', openDegrees: 70, insetMm: 2, cup: 0.3, frill: 0, veins: null },
    },
    colouring: '',
  }
}
