import { useEffect, useState, useSyncExternalStore } from 'react'
import { answer, api, madeFrom } from '../../api/api'
import { Drafts } from '../../core/Drafts'
import { PlanHistory } from '../../core/PlanHistory'
import type { PlanServer } from '../../core/PlanSession'
import { PlanSession } from '../../core/PlanSession'
import { kept, keptInTab } from '../../shared/kept'
import { tabs } from '../../shared/tabs'
import { timers } from '../../shared/timers'

const server: PlanServer = {
  read: (id) => answer(api.GET('/api/pieces/{id}', { params: { path: { id } } })),
  save: (id, body, version) =>
    answer(api.PUT('/api/pieces/{id}/plan', { params: { path: { id } }, headers: madeFrom(version), body })),
  preview: (id, body, { light, shown }) => {
    const query = { light, ...(shown !== null && { shown }) }
    return answer(api.POST('/api/pieces/{id}/preview', { params: { path: { id }, query }, body }))
  },
}

const drafts = new Drafts(kept, tabs)

async function open(pieceId: string): Promise<PlanSession> {
  await tabs.ready
  const history = new PlanHistory(keptInTab, `undo/${pieceId}`)
  return PlanSession.open(pieceId, { server, drafts, history, timers })
}

type Opening = { pieceId: string; session: PlanSession } | { pieceId: string; error: unknown } | null

const nothing = () => () => {}

/** The open piece, or why it could not be opened. */
export function usePlanSession(pieceId: string) {
  const [opening, setOpening] = useState<Opening>(null)
  const [attempt, setAttempt] = useState(0)
  useEffect(() => {
    let session: PlanSession | null = null
    let left = false
    const wake = () => session?.retryNow()
    open(pieceId).then(
      (opened) => {
        if (left) return opened.close()
        session = opened
        window.addEventListener('online', wake)
        setOpening({ pieceId, session })
      },
      (error: unknown) => !left && setOpening({ pieceId, error }),
    )
    return () => {
      left = true
      window.removeEventListener('online', wake)
      session?.close()
    }
  }, [pieceId, attempt])

  const session = opening && 'session' in opening && opening.pieceId === pieceId ? opening.session : null
  const state = useSyncExternalStore(session?.subscribe ?? nothing, () => session?.current ?? null)
  return {
    session,
    state,
    error: opening && 'error' in opening && opening.pieceId === pieceId ? opening.error : null,
    retry: () => {
      setOpening(null)
      setAttempt((n) => n + 1)
    },
  }
}
