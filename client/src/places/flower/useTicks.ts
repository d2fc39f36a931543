import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import type { RunStepView } from '../../api/api'
import { answer, api, RequestFailed } from '../../api/api'
import { forget, hasFields, readStored, store } from '../../shared/stored'
import { queries } from '../../api/queries'

interface Wish {
  ticked: boolean
  fingerprint: string
}

type Wishes = Record<string, Wish>

const retryMs = 2_000

const nameOf = (pieceId: string) => `ticks/${pieceId}`

const isWishes = (value: unknown): value is Wishes => hasFields(value)

/**
 * Ticks that show at once and are sent in the background. What has not been sent is kept in the browser, and sent again until
 * it arrives, also after a reload.
 */
export function useTicks(pieceId: string) {
  const queryClient = useQueryClient()
  const [wishes, setWishes] = useState<Wishes>(() => readStored(nameOf(pieceId), isWishes) ?? {})
  const newest = useRef(wishes)
  const isSending = useRef(false)

  function wish(next: Wishes) {
    newest.current = next
    setWishes(next)
    if (Object.keys(next).length === 0) forget(nameOf(pieceId))
    else store(nameOf(pieceId), next)
  }

  async function send() {
    if (isSending.current) return
    isSending.current = true
    try {
      for (let [key] = Object.keys(newest.current); key; [key] = Object.keys(newest.current)) {
        const sent = newest.current[key]!
        await sendOne(pieceId, key, sent)
        await queryClient.invalidateQueries({ queryKey: queries.runSheet(pieceId).queryKey })
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
    isTicked: (view: RunStepView) => wishes[view.step.key]?.ticked ?? view.tickedAt !== null,
    setTicked: (view: RunStepView, ticked: boolean) => {
      wish({ ...newest.current, [view.step.key]: { ticked, fingerprint: view.fingerprint } })
    },
  }
}

async function sendOne(pieceId: string, step: string, { ticked, fingerprint }: Wish) {
  const path = { id: pieceId, step }
  try {
    await (ticked
      ? answer(api.PUT('/api/pieces/{id}/run-sheet/{step}/tick', { params: { path }, body: { fingerprint } }))
      : answer(api.DELETE('/api/pieces/{id}/run-sheet/{step}/tick', { params: { path } })))
  } catch (error) {
    // The step is gone from the plan: there is nothing left to tick.
    if (error instanceof RequestFailed && !error.isPassing) return
    throw error
  }
}
