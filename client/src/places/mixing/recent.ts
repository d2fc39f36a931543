import { useEffect, useState } from 'react'
import type { ColourView, Look } from '../../api/api'
import { hasFields } from '../../core/Kept'
import { kept } from '../../shared/kept'

/** A colour that was worked on. */
export interface Recent {
  name: string
  colour: ColourView
}

const key = 'mixing-recent'
const most = 6

const isRecent = (value: unknown): value is Recent[] =>
  Array.isArray(value) &&
  value.every((one) => hasFields(one, 'name', 'colour') && hasFields((one as Recent).colour, 'hex', 'lab', 'words'))

/** The last colours on this table, newest first. @param look Of what lies there now. */
export function useRecent(name: string, look: Look | undefined): Recent[] {
  const [recent] = useState(() => kept.read(key, isRecent) ?? [])
  const colour = look?.lights.find((lit) => lit.light === 'daylight')?.target
  useEffect(() => {
    if (!colour || !name) return
    const others = (kept.read(key, isRecent) ?? []).filter((one) => one.name !== name || one.colour.hex !== colour.hex)
    kept.write(key, [{ name, colour }, ...others].slice(0, most))
  }, [name, colour])
  return recent
}
