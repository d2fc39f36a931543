import { Redo2, Undo2 } from 'lucide-react'
import { useEffect } from 'react'
import { useTranslation } from '../../shared/translation'
import type { PlanSession, Session } from '../../core/PlanSession'

/** Back and forward through the edits of a piece: its build-up and its targets are one plan. */
export function UndoButtons({ session, state }: { session: PlanSession; state: Session }) {
  const { t } = useTranslation()
  useUndoKeys(session)
  return (
    <div className="flex self-center">
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label={t('piece.undo')}
        title={`${t('piece.undo')} (Ctrl Z)`}
        disabled={!state.canUndo}
        onClick={() => session.undo()}
      >
        <Undo2 size={16} aria-hidden />
      </button>
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label={t('piece.redo')}
        title={`${t('piece.redo')} (Ctrl Shift Z)`}
        disabled={!state.canRedo}
        onClick={() => session.redo()}
      >
        <Redo2 size={16} aria-hidden />
      </button>
    </div>
  )
}

/** Ctrl Z and Ctrl Shift Z (or Ctrl Y), but not while a text is being typed: there they belong to the text. */
function useUndoKeys(session: PlanSession) {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase()
      const isText = event.target instanceof HTMLInputElement && event.target.type === 'text'
      if (!(event.ctrlKey || event.metaKey) || isText || event.target instanceof HTMLTextAreaElement) return
      if (key === 'y' || (key === 'z' && event.shiftKey)) session.redo()
      else if (key === 'z') session.undo()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [session])
}
