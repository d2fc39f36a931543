import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { useTranslation } from 'react-i18next'
import { Link, useParams } from 'react-router'
import type { Bloom, LightKind } from '../../api/api'
import { queries } from '../../api/queries'
import { lightKinds } from '../../shared/lights'
import { Reading, Unreadable } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { drawBeside, drawBloom } from './drawBloom'

const widthPx = 860
const heightPx = 600

/** Flowers, buds and leaves of a commission as they lie together. */
export function SprayPage() {
  const { commissionId = '' } = useParams()
  const { t } = useTranslation()
  const commissions = useQuery(queries.commissions()).data?.commissions
  const commission = commissions?.find((entry) => entry.commission.id === commissionId)?.commission
  const [chosen, setChosen] = useState<LightKind | null>(null)
  const light = chosen ?? commission?.light ?? 'daylight'
  const { data, error, refetch } = useQuery({
    ...queries.spray(commissionId, light),
    placeholderData: keepPreviousData,
    enabled: commission !== undefined,
  })
  if (!data || !commission) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  return (
    <main className="flex w-full grow flex-col">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-1 px-4 py-3 lg:px-6">
        <div>
          <p className="text-xs">
            <Link className="act" to="/commissions">
              {commission.name}
            </Link>
          </p>
          <h1 className="name text-2xl">{t('spray.title', { commission: commission.name })}</h1>
        </div>
        <SelectField
          label={t('sides.seenIn')}
          value={light}
          options={lightKinds.map((value) => ({ value, label: t(`light.${value}`) }))}
          onChoose={(kind) => setChosen(kind as LightKind)}
        />
      </div>
      <div className="surround flex grow justify-center p-4">
        <SprayPicture flowers={data} label={t('spray.picture', { flowers: data.map((one) => one.name).join(', ') })} />
      </div>
    </main>
  )
}

function SprayPicture({ flowers, label }: { flowers: Bloom[]; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const context = canvas.current?.getContext('2d')
    if (!context) return
    const scale = devicePixelRatio
    context.canvas.width = widthPx * scale
    context.canvas.height = heightPx * scale
    context.scale(scale, scale)
    drawSpray(context, flowers)
  }, [flowers])
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      style={{ width: widthPx, maxWidth: '100%', aspectRatio: `${widthPx} / ${heightPx}` }}
    />
  )
}

/** Wider than high, as a spray lies. */
const wide = 1.2
const high = 0.75

/** One bloom in the middle and the others round it, leaves looking out between them and buds at the ends: as a hand lays a spray on a table. */
function drawSpray(context: CanvasRenderingContext2D, flowers: Bloom[]) {
  const open = flowers.filter((one) => one.bloom.length > 0)
  const blooms = open.flatMap((one) =>
    Array.from({ length: Math.min(3, Math.max(1, Math.round(one.flowers / 3))) }, () => one),
  )
  const beside = flowers.flatMap((one) =>
    one.kinds.flatMap((kind) => {
      const count =
        kind.role === 'leaf' || kind.role === 'berry'
          ? Math.min(5, kind.perPart * one.flowers)
          : kind.partOf === 'bud'
            ? Math.min(3, one.buds)
            : 0
      return Array.from({ length: count }, (_, number) => ({ kind, number }))
    }),
  )
  // One of each kind of leaf after the other, so that neighbours differ.
  beside.sort((one, other) => one.number - other.number)
  const reach = Math.max(1, ...open.map((one) => one.reachMm))
  const ring = blooms.length > 1 ? 1.7 * reach : 0
  const longest = Math.max(0, ...beside.map(({ kind }) => kind.lengthMm))
  const outMm = 0.72 * ring + 0.85 * reach + 0.6 * longest
  const pxPerMm = heightPx / 2 / Math.max(40, outMm)
  const middle = { x: widthPx / 2, y: heightPx / 2, pxPerMm, turn: 0 }
  beside.forEach(({ kind, number }, i) => {
    const turn = (i * 360) / beside.length + (i % 2) * 7
    const angle = (turn * Math.PI) / 180
    const edge = ring * Math.hypot(wide * Math.sin(angle), high * Math.cos(angle)) + 0.75 * reach
    // Somewhat more than half of each looks out.
    drawBeside(context, kind, number, { ...middle, turn }, blooms.length > 0 ? edge - 0.4 * kind.lengthMm : 6)
  })
  blooms.forEach((bloom, i) => {
    const angle = (2 * Math.PI * (i - 1)) / Math.max(1, blooms.length - 1) - Math.PI / 2
    const out = i === 0 ? 0 : ring * pxPerMm
    drawBloom(context, bloom, {
      x: middle.x + wide * out * Math.cos(angle),
      y: middle.y + high * out * Math.sin(angle),
      pxPerMm,
      turn: 37 * i,
    })
  })
}
