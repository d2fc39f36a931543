import type { ReactNode } from 'react'
import { createContext, useContext } from 'react'
import { createPortal } from 'react-dom'

/** The frame's right corner, once it is on the page. */
export const FrameSlot = createContext<HTMLElement | null>(null)

/** Puts a place's own state (what is open, whether it is saved) into the frame's right corner. */
export function FrameState({ children }: { children: ReactNode }) {
  const slot = useContext(FrameSlot)
  return slot && createPortal(children, slot)
}
