import { useEffect, useRef, useState } from 'react'
import { RequestFailed } from '../api/api'
import { forget, hasFields, readStored, store } from './stored'

/** A step of a sheet that can be ticked. */
export interface Tickable {
  key: string
  fingerprint: string
  tickedAt: string | null
}

export interface Wish {
  ticked: boolean
  fingerprint: string
}

type Wishes = Record<string, Wish>

const retryMs = 2_000

const isWishes = (value: unknown): value is Wishes => hasFields(value)

/**
 * Ticks that show at once and are sent in the background. What has not been sent is kept in the browser, and sent again until
 * it arrives, also after a reload.
 * @param sheet Names the sheet among what this browser keeps.
 * @param sendOne Tells the server.
 * @param readAgain After each that has arrived.
 */
export function useTicks(
  sheet: string,
  sendOne: (key: string, wish: Wish) => Promise<unknown>,
  readAgain: () => Promise<unknown>,
) {
  const name = `ticks/${sheet}`
  const [wishes, setWishes] = useState<Wishes>(() => readStored(name, isWishes) ?? {})
  const newest = useRef(wishes)
  const isSending = useRef(false)

  function wish(next: Wishes) {
    newest.current = next
    setWishes(next)
    if (Object.keys(next).length === 0) forget(name)
    else store(name, next)
  }

  async function send() {
    if (isSending.current) return
    isSending.current = true
    try {
      for (let [key] = Object.keys(newest.current); key; [key] = Object.keys(newest.current)) {
        const sent = newest.current[key]!
        await sendOne(key, sent).catch((error: unknown) => {
          // The step is gone from the plan: there is nothing left to tick.
          if (!(error instanceof RequestFailed) || error.isPassing) throw error
        })
        await readAgain()
        // Unless it was changed again while it was on its way.
        if (newest.current[key] === sent) {
          wish(Object.fromEntries(Object.entries(newest.current).filter(([other]) => other !== key)))
        }
      }
    } finally {
      isSending.current = false
    }
  }

  const sendRef = useRef(send)
  useEffect(() => {
    sendRef.current = send
  })

  const waiting = Object.keys(wishes).length > 0
  useEffect(() => {
    if (!waiting) return
    const trySend = () =>
      void sendRef.current().catch((error) => {
        if (!(error instanceof RequestFailed)) throw error
      })
    trySend()
    const timer = setInterval(trySend, retryMs)
    return () => clearInterval(timer)
  }, [waiting])

  return {
    waiting,
    isTicked: (step: Tickable) => wishes[step.key]?.ticked ?? step.tickedAt !== null,
    setTicked: (step: Tickable, ticked: boolean) => {
      wish({ ...newest.current, [step.key]: { ticked, fingerprint: step.fingerprint } })
    },
  }
}
