import type { KeyboardEvent, PointerEvent } from 'react'
import { Fragment, useRef, useState } from 'react'
import { useTranslation } from './translation'
import type { Box } from '../api/api'

/** A place in a picture, in shares of its width and height. */
export interface Spot {
  id: string
  label: string
  /** Null while it has no place yet. */
  box: Box | null
  /** Drawn in broken lines: proposed, or there only to take the light from. */
  isLoose?: boolean
}

/** In shares of the picture's width and height. */
interface Point {
  x: number
  y: number
}

/** Of the picture's width: what a click without a drag takes in. */
const clickShare = 0.045
const leastShare = 0.012
const keyStep = 0.01

/**
 * A picture with places on it. Pointing or dragging sets the place of the spot that is chosen; a spot itself can be dragged, and
 * moved by arrow keys, or made larger and smaller with Shift.
 */
export function PictureBoard({
  src,
  alt,
  spots,
  chosenId,
  onChoose,
  onMove,
  onTap,
  onLoop,
}: {
  src: string
  alt: string
  spots: Spot[]
  chosenId: string
  onChoose: (id: string) => void
  onMove: (id: string, box: Box) => void
  /** Something is to be pointed at: where it was. */
  onTap?: (box: Box) => void
  /** Or a line is to be drawn round it: its points. */
  onLoop?: (points: Point[]) => void
}) {
  const { t } = useTranslation()
  const board = useRef<HTMLDivElement>(null)
  const [ratio, setRatio] = useState(1)
  const [drag, setDrag] = useState<{ id: string; box: Box } | null>(null)
  const [line, setLine] = useState<Point[]>([])

  const at = (event: { clientX: number; clientY: number }) => {
    const frame = board.current!.getBoundingClientRect()
    return [
      inside((event.clientX - frame.left) / frame.width),
      inside((event.clientY - frame.top) / frame.height),
    ] as const
  }

  /** Follows the pointer until it is let go, wherever that is. */
  function follow(
    event: PointerEvent,
    id: string,
    boxAt: (x: number, y: number) => Box,
    onEnd: (box: Box) => void = (box) => onMove(id, box),
  ) {
    if (event.button !== 0) return
    event.preventDefault()
    event.stopPropagation()
    const target = event.currentTarget
    target.setPointerCapture(event.pointerId)
    let box = boxAt(...at(event))
    setDrag({ id, box })
    const move = (next: globalThis.PointerEvent) => {
      box = boxAt(...at(next))
      setDrag({ id, box })
    }
    const end = () => {
      target.removeEventListener('pointermove', move as EventListener)
      setDrag(null)
      onEnd(box)
    }
    target.addEventListener('pointermove', move as EventListener)
    target.addEventListener('pointerup', end, { once: true })
    target.addEventListener('pointercancel', end, { once: true })
  }

  function draw(event: PointerEvent) {
    const [x0, y0] = at(event)
    if (onTap && onLoop) {
      const points: Point[] = [{ x: x0, y: y0 }]
      follow(
        event,
        chosenId,
        (x, y) => {
          points.push({ x, y })
          setLine([...points])
          return around(x0, y0, clickShare, clickShare * ratio)
        },
        (box) => {
          setLine([])
          const far = Math.max(...points.map((point) => Math.hypot(point.x - x0, point.y - y0)))
          if (far < 4 * leastShare) onTap(box)
          else onLoop(thinned(points))
        },
      )
      return
    }
    follow(event, chosenId, (x, y) =>
      Math.abs(x - x0) < leastShare && Math.abs(y - y0) < leastShare
        ? around(x0, y0, clickShare, clickShare * ratio)
        : { left: Math.min(x, x0), top: Math.min(y, y0), width: atLeast(x - x0), height: atLeast(y - y0) },
    )
  }

  function shift(event: PointerEvent, spot: Spot & { box: Box }) {
    onChoose(spot.id)
    const [x0, y0] = at(event)
    const { left, top, width, height } = spot.box
    follow(event, spot.id, (x, y) => held({ left: left + x - x0, top: top + y - y0, width, height }))
  }

  function byKey(event: KeyboardEvent, spot: Spot & { box: Box }) {
    const [x, y] = arrows[event.key] ?? [0, 0]
    if (x === 0 && y === 0) return
    event.preventDefault()
    const { left, top, width, height } = spot.box
    onMove(
      spot.id,
      event.shiftKey
        ? held({ left, top, width: atLeast(width + x * keyStep), height: atLeast(height + y * keyStep) })
        : held({ left: left + x * keyStep, top: top + y * keyStep, width, height }),
    )
  }

  return (
    <div ref={board} className="relative w-full cursor-crosshair touch-none select-none" onPointerDown={draw}>
      <img
        src={src}
        alt={alt}
        draggable={false}
        className="block w-full"
        onLoad={(event) => setRatio(event.currentTarget.naturalWidth / event.currentTarget.naturalHeight)}
      />
      {line.length > 1 && (
        <svg
          aria-hidden
          className="pointer-events-none absolute inset-0 z-20 h-full w-full"
          viewBox="0 0 1 1"
          preserveAspectRatio="none"
        >
          {(['#000', '#fff'] as const).map((colour, i) => (
            <polyline
              key={colour}
              points={line.map((point) => `${point.x},${point.y}`).join(' ')}
              fill="none"
              stroke={colour}
              strokeWidth={i === 0 ? 4 : 2}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
      )}
      {spots.map((spot) => {
        const box = drag?.id === spot.id ? drag.box : spot.box
        if (!box) return null
        const percent = (share: number) => `${100 * share}%`
        return (
          <Fragment key={spot.id}>
            <span
              aria-hidden
              className={`pointer-events-none absolute border-2 ${spot.isLoose ? 'border-dashed' : ''} ${spot.id === chosenId ? 'z-10 border-white ring-2 ring-black' : 'border-black ring-1 ring-white'}`}
              style={{
                left: percent(box.left),
                top: percent(box.top),
                width: percent(box.width),
                height: percent(box.height),
              }}
            />
            <button
              type="button"
              aria-pressed={spot.id === chosenId}
              aria-label={t('board.spot', {
                name: spot.label,
                across: Math.round(100 * (box.left + box.width / 2)),
                down: Math.round(100 * (box.top + box.height / 2)),
              })}
              className={`absolute min-h-6 min-w-6 -translate-x-1/2 -translate-y-1/2 cursor-move ${spot.id === chosenId ? 'z-10' : ''}`}
              style={{
                left: percent(box.left + box.width / 2),
                top: percent(box.top + box.height / 2),
                width: percent(box.width),
                height: percent(box.height),
              }}
              onPointerDown={(event) => shift(event, { ...spot, box })}
              onClick={() => onChoose(spot.id)}
              onKeyDown={(event) => byKey(event, { ...spot, box })}
            >
              <span className="pointer-events-none absolute bottom-full left-1/2 mb-0.5 -translate-x-1/2 rounded bg-black px-1 text-xs whitespace-nowrap text-white">
                {spot.label}
              </span>
            </button>
          </Fragment>
        )
      })}
    </div>
  )
}

/** No more points than a line needs. */
const mostPoints = 200
const thinned = (points: Point[]) => {
  const step = Math.ceil(points.length / mostPoints)
  return points.filter((_, i) => i % step === 0)
}

const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

const inside = (share: number) => Math.min(1, Math.max(0, share))

const atLeast = (size: number) => Math.max(leastShare, Math.abs(size))

const around = (x: number, y: number, width: number, height: number) =>
  held({ left: x - width / 2, top: y - height / 2, width, height })

/** Kept within the picture. */
function held({ left, top, width, height }: Box): Box {
  const [w, h] = [Math.min(width, 1), Math.min(height, 1)]
  return { left: Math.min(Math.max(0, left), 1 - w), top: Math.min(Math.max(0, top), 1 - h), width: w, height: h }
}
