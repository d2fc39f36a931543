import { curveMonotoneX, line } from 'd3-shape'
import type { ReactNode } from 'react'
import { significant } from '../../shared/numbers'

const width = 640
const height = 240
const margin = { left: 44, right: 110, top: 10, bottom: 40 }

/** Either kind of axis: both give a place for a value. */
interface Axis {
  (value: number): number | undefined
  range(places: [number, number]): Axis
}

export interface Scale {
  x: (value: number) => number
  y: (value: number) => number
}

/** A plain chart of curves, in the ink of the page. */
export function Chart({
  label,
  x,
  y,
  xTicks,
  yTicks,
  xName,
  yName,
  children,
}: {
  label: string
  x: unknown
  y: unknown
  xTicks: number[]
  yTicks: number[]
  xName: string
  yName: string
  children: (scale: Scale) => ReactNode
}) {
  const across = (x as Axis).range([margin.left, width - margin.right])
  const up = (y as Axis).range([height - margin.bottom, margin.top])
  const scale: Scale = { x: (value) => across(value) ?? 0, y: (value) => up(value) ?? 0 }
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`0 0 ${width} ${height}`}
      className="mt-2 w-full max-w-3xl"
      fontSize={12}
      fill="currentColor"
    >
      {yTicks.map((tick) => (
        <g key={tick}>
          <line
            x1={margin.left}
            x2={width - margin.right}
            y1={scale.y(tick)}
            y2={scale.y(tick)}
            className="stroke-base-300"
          />
          <text x={margin.left - 6} y={scale.y(tick)} textAnchor="end" dominantBaseline="middle">
            {tick}
          </text>
        </g>
      ))}
      {xTicks.map((tick) => (
        <text key={tick} x={scale.x(tick)} y={height - margin.bottom + 16} textAnchor="middle">
          {significant(tick, 2)}
        </text>
      ))}
      <text x={(margin.left + width - margin.right) / 2} y={height - 4} textAnchor="middle">
        {xName}
      </text>
      <text transform={`translate(11 ${(margin.top + height - margin.bottom) / 2}) rotate(-90)`} textAnchor="middle">
        {yName}
      </text>
      {children(scale)}
    </svg>
  )
}

/** One curve with its name at the end. */
export function Curve({
  scale,
  points,
  name,
  dashed = false,
}: {
  scale: Scale
  points: [number, number][]
  name: string
  dashed?: boolean
}) {
  const path = line<[number, number]>(
    ([x]) => scale.x(x),
    ([, y]) => scale.y(y),
  ).curve(curveMonotoneX)(points)
  const last = points.at(-1)
  return (
    <g>
      <path
        d={path ?? ''}
        fill="none"
        stroke="currentColor"
        strokeWidth={2}
        strokeDasharray={dashed ? '6 5' : undefined}
      />
      {last && (
        <text x={scale.x(last[0]) + 6} y={scale.y(last[1])} dominantBaseline="middle">
          {name}
        </text>
      )}
    </g>
  )
}
