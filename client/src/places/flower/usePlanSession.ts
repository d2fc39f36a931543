import { useEffect, useState, useSyncExternalStore } from 'react'
import { PlanSession } from './PlanSession'

type Opening = { pieceId: string; session: PlanSession } | { pieceId: string; error: unknown } | null

const nothing = () => () => {}

/** The open piece, or why it could not be opened. */
export function usePlanSession(pieceId: string) {
  const [opening, setOpening] = useState<Opening>(null)
  const [attempt, setAttempt] = useState(0)
  useEffect(() => {
    let session: PlanSession | null = null
    let left = false
    PlanSession.open(pieceId).then(
      (opened) => {
        if (left) return opened.close()
        session = opened
        setOpening({ pieceId, session })
      },
      (error: unknown) => !left && setOpening({ pieceId, error }),
    )
    return () => {
      left = true
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
