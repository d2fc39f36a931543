import * as z from 'zod/mini'
import type { Plan } from '../../api/api'

/**
 * Unsaved plans, kept in the browser so that a failed save, a reload or a crash loses nothing. Each tab keeps its own, so
 * that two tabs on one piece do not write over each other's.
 */
const prefix = 'young-tinge/draft/'

/** A draft and what it was made from. */
export interface Draft {
  base: { plan: Plan; version: number }
  plan: Plan
}

// What comes out of storage may be from an older build. Only its frame is checked here: the server checks every plan.
const planFrame = z.looseObject({
  targets: z.record(z.string(), z.looseObject({ colour: z.looseObject({}) })),
  ground: z.looseObject({}),
  paste: z.looseObject({ doses: z.array(z.looseObject({})) }),
  coats: z.array(z.looseObject({ kind: z.string(), id: z.string() })),
})
const draftFrame = z.object({ base: z.object({ plan: planFrame, version: z.number() }), plan: planFrame })

const key = (pieceId: string, tabId: string) => `${prefix}${pieceId}/${tabId}`

export function keepDraft(pieceId: string, draft: Draft) {
  localStorage.setItem(key(pieceId, tabId), JSON.stringify(draft))
}

export function dropDraft(pieceId: string) {
  localStorage.removeItem(key(pieceId, tabId))
}

/** This tab's draft of a piece, else one that a closed tab left behind; that one becomes this tab's. */
export async function findDraft(pieceId: string): Promise<Draft | null> {
  const own = read(key(pieceId, tabId))
  if (own) return own
  const alive = await openTabs()
  for (const name of Object.keys(localStorage)) {
    if (!name.startsWith(`${prefix}${pieceId}/`)) continue
    const owner = name.slice(name.lastIndexOf('/') + 1)
    if (alive.has(owner)) continue
    const orphan = read(name)
    localStorage.removeItem(name)
    if (!orphan) continue
    keepDraft(pieceId, orphan)
    return orphan
  }
  return null
}

function read(name: string): Draft | null {
  const text = localStorage.getItem(name)
  if (!text) return null
  try {
    return draftFrame.parse(asNow(JSON.parse(text))) as unknown as Draft
  } catch {
    return null
  }
}

/** A draft of an older build is not to be lost for that: a target was a colour alone, and a part of a mix named a dust. */
function asNow(draft: { base: { plan: OldPlan }; plan: OldPlan }) {
  for (const { targets, coats } of [draft.base.plan, draft.plan]) {
    for (const [zone, target] of Object.entries(targets)) {
      if (!('colour' in target)) targets[zone] = { colour: target, spread: 2, finish: 'matt' }
    }
    for (const { mix } of coats) {
      for (const part of mix ?? []) part.materialId ??= part.dustId
    }
  }
  return draft
}

interface OldPlan {
  targets: Record<string, object>
  coats: { mix?: { dustId?: string; materialId?: string }[] }[]
}

/** Names this tab; the name outlives a reload, but a copied tab gets a new one because its lock is taken. */
let tabId = sessionStorage.getItem('young-tinge/tab') ?? newTabId()

function newTabId() {
  // Not crypto.randomUUID: that needs a secure address, and a studio may serve plain HTTP to a tablet.
  const id = Array.from(crypto.getRandomValues(new Uint8Array(8)), (byte) => byte.toString(16).padStart(2, '0')).join(
    '',
  )
  sessionStorage.setItem('young-tinge/tab', id)
  return id
}

const lockOf = (id: string) => `young-tinge/tab/${id}`

/** Holds a lock for as long as the tab is open: how other tabs know that it is. */
export const tabReady: Promise<void> = new Promise((resolve) => {
  if (!navigator.locks) return resolve()
  const hold = (id: string) =>
    void navigator.locks.request(lockOf(id), { ifAvailable: true }, (lock) => {
      if (!lock) {
        tabId = newTabId()
        hold(tabId)
        return
      }
      resolve()
      return new Promise<void>(() => {})
    })
  hold(tabId)
})

async function openTabs(): Promise<Set<string>> {
  const held = navigator.locks ? ((await navigator.locks.query()).held ?? []) : []
  return new Set(held.map((lock) => lock.name?.slice(lockOf('').length) ?? ''))
}
