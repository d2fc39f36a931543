// What the core meets in a browser, as a test plays it: storage that can be full or shut, time that is wound on by hand, a server
// that can be away, and the window's history.
import { Kept, RequestFailed } from 'core'

export class Shelf {
  items = new Map()
  isFull = false
  isShut = false
  #open() {
    if (this.isShut) throw new Error('SecurityError')
  }
  get length() {
    this.#open()
    return this.items.size
  }
  key(i) {
    return [...this.items.keys()][i]
  }
  getItem(name) {
    this.#open()
    return this.items.get(name) ?? null
  }
  setItem(name, text) {
    this.#open()
    if (this.isFull) throw new Error('QuotaExceededError')
    this.items.set(name, text)
  }
  removeItem(name) {
    this.#open()
    this.items.delete(name)
  }
}

export class Timers {
  #now = 0
  #waiting = []
  now() {
    return this.#now
  }
  after(ms, act) {
    const one = { at: this.#now + ms, act }
    this.#waiting.push(one)
    return () => (this.#waiting = this.#waiting.filter((other) => other !== one))
  }
  /** Winds time on, with all that falls due meanwhile. */
  async wind(ms) {
    const end = this.#now + ms
    await settle()
    for (;;) {
      const next = this.#waiting.filter((one) => one.at <= end).sort((a, b) => a.at - b.at)[0]
      if (!next) break
      this.#waiting = this.#waiting.filter((one) => one !== next)
      this.#now = Math.max(this.#now, next.at)
      next.act()
      await settle()
    }
    this.#now = end
  }
}

/** Lets all that is promised come true. */
export async function settle() {
  for (let i = 0; i < 40; i++) await null
}

export const plan = (changes = {}) => ({
  targets: {},
  ground: { l: 90, a: 0, b: 5 },
  paste: { baseId: 'white', doses: [] },
  coats: [],
  onPurpose: [],
  ...changes,
})

/** A server with one piece: refuses what was made from an old version, as the real one does. */
export class Server {
  version = 1
  isAway = false
  losesAnswers = false
  saves = 0
  constructor(plan) {
    this.plan = plan
  }
  #reach() {
    if (this.isAway) throw new RequestFailed('offline')
  }
  async read() {
    await null
    this.#reach()
    return { piece: { id: 'piece' }, plan: this.plan, version: this.version }
  }
  async save(_, plan, version) {
    await null
    this.#reach()
    if (version !== this.version) throw new RequestFailed('changedElsewhere')
    if (plan.coats.some((coat) => coat.kind === 'impossible')) throw new RequestFailed('invalid', [{ path: 'coats[0]', code: 'tooMuch' }])
    this.saves++
    this.plan = plan
    this.version++
    if (this.losesAnswers) throw new RequestFailed('offline')
    return { version: this.version }
  }
  async preview(_, plan) {
    await null
    this.#reach()
    return { of: plan }
  }
  /** Somebody else changes it. */
  change(changes) {
    this.plan = { ...this.plan, ...changes }
    this.version++
  }
}

/** A window's history, which moves later than it is asked to, as a browser's does. */
export class Window {
  #entries = [{ state: null, url: '/commissions' }]
  #at = 0
  #listeners = []
  #moves = []
  addEventListener(_, listener) {
    this.#listeners.push(listener)
  }
  get location() {
    const [pathname, search] = this.#entries[this.#at].url.split('?')
    return { pathname, search: search ? `?${search}` : '' }
  }
  history = {
    owner: this,
    get state() {
      return this.owner.#entries[this.owner.#at].state
    },
    pushState(state, _, url) {
      this.owner.#entries = [...this.owner.#entries.slice(0, this.owner.#at + 1), { state, url }]
      this.owner.#at++
    },
    replaceState(state, _, url) {
      const was = this.owner.#entries[this.owner.#at]
      this.owner.#entries[this.owner.#at] = { state, url: url ?? was.url }
    },
    go(by) {
      this.owner.#moves.push(by)
    },
  }
  /** All moves that were asked for happen. */
  move() {
    for (let by = this.#moves.shift(); by !== undefined; by = this.#moves.shift()) {
      const next = Math.min(Math.max(this.#at + by, 0), this.#entries.length - 1)
      if (next === this.#at) continue
      this.#at = next
      this.#listeners.forEach((listener) => listener())
    }
  }
  get length() {
    return this.#entries.length
  }
}

export const keptOn = (shelf) => new Kept(shelf)
