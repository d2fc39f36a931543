import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link, useLocation, useParams } from 'wouter'
import type { LibraryFlower } from '../../api/api'
import { answer, api } from '../../api/api'
import { ChangeFlowersNewFlowerLimits } from '../../api/limits'
import { queries } from '../../api/queries'
import { NotThere, WholeFailure } from '../../shared/Message'
import { NothingHere } from '../../shared/NothingHere'
import { NumberField } from '../../shared/NumberField'
import { PageTitle } from '../../shared/PageTitle'
import { hasFields } from '../../core/Kept'
import { TextField } from '../../shared/TextField'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'
import { CheckField } from '../../shared/CheckField'

interface Draft {
  name: string
  flowers: number
  buds: number
  mustBeEdible: boolean
  /** Null for a blank one. */
  fromLibrary: string | null
}

const blank: Draft = { name: '', flowers: 6, buds: 0, mustBeEdible: false, fromLibrary: null }

const isDraft = (value: unknown): value is Draft => hasFields(value, 'name', 'flowers', 'fromLibrary')

/** Another flower for a commission: from the library, or from a blank. */
export function NewFlowerPage() {
  const { commissionId = '' } = useParams()
  const { t } = useTranslation()
  const client = useQueryClient()
  const [, go] = useLocation()
  const library = useQuery(queries.flowerLibrary())
  const commissions = useQuery(queries.commissions())
  const kept = useKept<Draft>(`new-flower/${commissionId}`, blank, isDraft)
  const draft = kept.value
  const add = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/commissions/{id}/flowers', { params: { path: { id: commissionId } }, body: draft })),
    onSuccess: async ({ id }) => {
      kept.drop(blank)
      await client.invalidateQueries({ queryKey: queries.commissions().queryKey })
      void go(draft.fromLibrary ? `/flowers/${id}` : `/flowers/${id}/new-piece`)
    },
  })
  const problemAt = useProblems([add.error])
  if (!library.data || !commissions.data) return <NotThere of={[library, commissions]} />
  const set = (change: Partial<Draft>) => kept.set({ ...draft, ...change })
  const choose = (flower: LibraryFlower | null) => {
    const named = draft.name.trim() === '' || library.data.flowers.some((one) => one.name === draft.name)
    set({ fromLibrary: flower?.id ?? null, ...(named && { name: flower?.name ?? '' }) })
  }
  const commission = commissions.data.commissions.find((entry) => entry.commission.id === commissionId)?.commission
  if (!commission) return <NothingHere />
  return (
    <main className="flex w-full grow flex-col">
      <div className="px-4 py-3 lg:px-6">
        <p className="text-xs">
          <Link className="act" to="/commissions">
            {t('commission.title')}
          </Link>
        </p>
        <PageTitle className="text-2xl" title={t('newFlower.title', { commission: commission.name })} />
        <form
          className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2"
          onSubmit={(event) => {
            event.preventDefault()
            add.mutate()
          }}
        >
          <TextField
            label={t('flower.name')}
            value={draft.name}
            most={ChangeFlowersNewFlowerLimits.name.maxLength}
            problem={problemAt('name')}
            className="w-56"
            onChange={(changed) => set({ name: changed })}
          />
          <NumberField
            label={t('newFlower.flowers')}
            value={draft.flowers}
            problem={problemAt('flowers')}
            whole
            onChange={(flowers) => set({ flowers })}
          />
          <NumberField
            label={t('newFlower.buds')}
            value={draft.buds}
            problem={problemAt('buds')}
            whole
            onChange={(buds) => set({ buds })}
          />
          <CheckField
            label={t('flower.mustBeEdible')}
            checked={draft.mustBeEdible}
            onChange={(isChecked) => set({ mustBeEdible: isChecked })}
          />
          <button className="btn btn-sm btn-primary" disabled={add.isPending}>
            {t('newFlower.add')}
          </button>
        </form>
        <WholeFailure error={add.error} kept />
      </div>
      <section aria-label={t('newFlower.library')} className="surround grow p-4 lg:px-6">
        <h2 className="font-semibold">{t('newFlower.beginFrom')}</h2>
        <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(8.5rem,1fr))] gap-2">
          <li>
            <Card name={t('newFlower.blank')} isChosen={draft.fromLibrary === null} onChoose={() => choose(null)}>
              <span aria-hidden className="border-surround-ink block size-24 rounded-full border border-dashed" />
            </Card>
          </li>
          {library.data.flowers.map((flower) => (
            <li key={flower.id}>
              <Card name={flower.name} isChosen={draft.fromLibrary === flower.id} onChoose={() => choose(flower)}>
                <LibraryDrawing flower={flower} />
              </Card>
            </li>
          ))}
        </ul>
      </section>
    </main>
  )
}

function Card({
  name,
  isChosen,
  onChoose,
  children,
}: {
  name: string
  isChosen: boolean
  onChoose: () => void
  children: React.ReactNode
}) {
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      className={`outline-surround-ink flex h-full w-full cursor-pointer flex-col items-center gap-1 p-2 hover:outline-1 ${isChosen ? 'outline-2' : ''}`}
      onClick={onChoose}
    >
      {children}
      <span className={`text-sm ${isChosen ? 'font-semibold underline underline-offset-4' : ''}`}>{name}</span>
    </button>
  )
}

/** The bloom from above, or the pieces side by side for foliage, in the colours that they begin from. */
function LibraryDrawing({ flower }: { flower: LibraryFlower }) {
  const pieces = flower.pieces
  if (flower.bloom.length === 0) {
    const tallest = Math.max(...pieces.map((one) => one.piece.lengthMm))
    const width = pieces.reduce((sum, one) => sum + one.piece.widthMm + 3, 0)
    return (
      <svg aria-hidden className="size-24" viewBox={`0 0 ${width} ${tallest}`}>
        {pieces.map((one, i) => (
          <g
            key={i}
            transform={`translate(${pieces.slice(0, i).reduce((sum, other) => sum + other.piece.widthMm + 3, 0)} ${tallest - one.piece.lengthMm})`}
          >
            <path d={one.outlinePath} fill={one.zones.heart} stroke={one.zones.base} strokeWidth={0.8} />
          </g>
        ))}
      </svg>
    )
  }
  return (
    <svg aria-hidden className="size-24" viewBox={frameOf(flower)}>
      {flower.bloom.map((one, i) => {
        const { piece, outlinePath, zones } = pieces[one.kind]!
        const shape = {
          fill: zones.heart,
          stroke: zones.base,
          strokeWidth: 0.8,
          vectorEffect: 'non-scaling-stroke' as const,
          transform: `rotate(${one.angleDegrees}) translate(0 ${-one.baseMm}) scale(${one.isTurnedOver ? -one.widthShare : one.widthShare} ${one.lengthShare}) translate(${-piece.widthMm / 2} ${-piece.lengthMm})`,
        }
        const [halfWidth, halfLength] = [piece.widthMm / 2, piece.lengthMm / 2]
        return one.endOn ? (
          <ellipse key={i} {...shape} cx={halfWidth} cy={halfLength} rx={halfWidth} ry={halfLength} />
        ) : (
          <path key={i} {...shape} d={outlinePath} />
        )
      })}
    </svg>
  )
}

/** A square round all of the flower, corners of its pieces and all: nothing is cut off. */
function frameOf(flower: LibraryFlower): string {
  const corners = flower.bloom.flatMap((one) => {
    const { piece } = flower.pieces[one.kind]!
    const turn = (one.angleDegrees * Math.PI) / 180
    const half = (piece.widthMm * one.widthShare) / 2
    return [one.baseMm, one.baseMm + piece.lengthMm * one.lengthShare].flatMap((out) =>
      [-half, half].map((aside) => ({
        x: aside * Math.cos(turn) + out * Math.sin(turn),
        y: aside * Math.sin(turn) - out * Math.cos(turn),
      })),
    )
  })
  const [left, right] = [Math.min(...corners.map(({ x }) => x)), Math.max(...corners.map(({ x }) => x))]
  const [top, bottom] = [Math.min(...corners.map(({ y }) => y)), Math.max(...corners.map(({ y }) => y))]
  const side = 1.04 * Math.max(right - left, bottom - top)
  return `${(left + right - side) / 2} ${(top + bottom - side) / 2} ${side} ${side}`
}
