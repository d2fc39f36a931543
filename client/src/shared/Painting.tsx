import { useEffect, useRef } from 'react'

/** A picture that is painted in the pixels of the screen. */
export function Painting({
  widthPx,
  heightPx,
  label,
  draw,
}: {
  widthPx: number
  heightPx: number
  /** What is to be seen, in words; empty if that is said beside it. */
  label: string
  /** On a fresh canvas, in CSS pixels. The same function as long as the picture is the same. */
  draw: (context: CanvasRenderingContext2D) => void
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const context = canvas.current?.getContext('2d')
    if (!context) return
    context.canvas.width = widthPx * devicePixelRatio
    context.canvas.height = heightPx * devicePixelRatio
    context.scale(devicePixelRatio, devicePixelRatio)
    draw(context)
  }, [widthPx, heightPx, draw])
  return (
    <canvas
      ref={canvas}
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      style={{ width: widthPx, maxWidth: '100%', aspectRatio: `${widthPx} / ${heightPx}` }}
    />
  )
}
