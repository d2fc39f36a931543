import type { Tabs } from '../core/Drafts'
import { keptInTab } from './kept'

const isName = (value: unknown): value is string => typeof value === 'string'

/** Names this tab; the name outlives a reload, but a copied tab gets a new one because its lock is taken. */
let own = keptInTab.read('tab', isName) ?? newName()

function newName() {
  // Not crypto.randomUUID: that needs a secure address, and a studio may serve plain HTTP to a tablet.
  const bytes = crypto.getRandomValues(new Uint8Array(8))
  const name = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
  keptInTab.write('tab', name)
  return name
}

const lockOf = (name: string) => `young-tinge/tab/${name}`

/** Holds a lock for as long as the tab is open: how other tabs know that it is. */
const ready: Promise<void> = new Promise((resolve) => {
  if (!navigator.locks) return resolve()
  const hold = (name: string) =>
    void navigator.locks.request(lockOf(name), { ifAvailable: true }, (lock) => {
      if (!lock) {
        own = newName()
        hold(own)
        return
      }
      resolve()
      return new Promise<void>(() => {})
    })
  hold(own)
})

export const tabs: Tabs & { ready: Promise<void> } = {
  ready,
  get own() {
    return own
  },
  async open() {
    const held = navigator.locks ? ((await navigator.locks.query()).held ?? []) : []
    return new Set(held.map((lock) => lock.name?.slice(lockOf('').length) ?? ''))
  },
}
