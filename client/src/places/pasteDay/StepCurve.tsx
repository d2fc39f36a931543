import { useRef } from 'react'
import { useTranslation } from '../../shared/translation'

const width = 640
const height = 150
const margin = 16
const least = 0.05

/** How far along the run each shade lies: a straight line is even, and a point is dragged or moved by arrow keys. */
export function StepCurve({ steps, onSteps }: { steps: number[]; onSteps: (steps: number[]) => void }) {
  const { t } = useTranslation()
  const chart = useRef<SVGSVGElement>(null)
  const total = steps.reduce((sum, step) => sum + step, 0)
  const places = steps.reduce<number[]>((sums, step) => [...sums, (sums.at(-1) ?? 0) + step / total], [0])
  const x = (i: number) => margin + (i / steps.length) * (width - 2 * margin)
  const y = (place: number) => margin + place * (height - 2 * margin)
  const move = (i: number, place: number) => {
    const gap = least / steps.length
    const at = Math.min(places[i + 1]! - gap, Math.max(places[i - 1]! + gap, place))
    const moved = places.map((old, j) => (i === j ? at : old))
    onSteps(steps.map((_, j) => Number(((moved[j + 1]! - moved[j]!) * steps.length).toFixed(4))))
  }
  return (
    <svg
      ref={chart}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-3xl touch-none select-none"
      role="group"
      aria-label={t('ombre.curve')}
      fontSize={12}
      fill="currentColor"
    >
      <line x1={x(0)} y1={y(0)} x2={x(steps.length)} y2={y(1)} className="stroke-base-300" strokeDasharray="4 4" />
      <polyline
        points={places.map((place, i) => `${x(i)},${y(place)}`).join(' ')}
        fill="none"
        stroke="currentColor"
        strokeWidth={2}
      />
      {places.map((place, i) =>
        i === 0 || i === steps.length ? (
          <circle key={i} cx={x(i)} cy={y(place)} r={4} />
        ) : (
          <circle
            key={i}
            cx={x(i)}
            cy={y(place)}
            r={12}
            className="fill-primary cursor-grab outline-offset-2"
            role="slider"
            tabIndex={0}
            aria-label={t('ombre.shade', { number: i + 1 })}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(100 * place)}
            aria-valuetext={t('ombre.along', { percent: Math.round(100 * place) })}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={(event) => {
              const box = chart.current?.getBoundingClientRect()
              if (!box || !event.currentTarget.hasPointerCapture(event.pointerId)) return
              const down = ((event.clientY - box.top) / box.height) * height
              move(i, (down - margin) / (height - 2 * margin))
            }}
            onKeyDown={(event) => {
              const by = { ArrowUp: -0.02, ArrowLeft: -0.02, ArrowDown: 0.02, ArrowRight: 0.02 }[event.key]
              if (by === undefined) return
              event.preventDefault()
              move(i, place + by)
            }}
          />
        ),
      )}
    </svg>
  )
}
