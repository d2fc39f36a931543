import { Printer } from 'lucide-react'
import { useTranslation } from './translation'
import { Link } from 'wouter'
import { FrameState } from './FrameState'
import { PageTitle } from './PageTitle'

/** The head of a page that hangs at the bench: where it belongs, what it is, and printing it. */
export function SheetHead({
  back,
  title,
  aside,
  waiting,
}: {
  back: { to: string; label: string }
  title: string
  aside: string
  /** Ticks are still on their way; left out where there is nothing to tick. */
  waiting?: boolean
}) {
  const { t } = useTranslation()
  return (
    <>
      {waiting !== undefined && <TickState waiting={waiting} />}
      <p className="text-xs print:hidden">
        <Link className="act" to={back.to}>
          {back.label}
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <PageTitle className="text-2xl" title={title} />
        <p className="quiet text-sm">{aside}</p>
        <button className="btn btn-sm ml-auto print:hidden" onClick={() => window.print()}>
          <Printer size={16} aria-hidden />
          {t('runSheet.print')}
        </button>
      </div>
    </>
  )
}

/** Whether every tick has arrived, in the frame. */
export function TickState({ waiting }: { waiting: boolean }) {
  const { t } = useTranslation()
  return (
    <FrameState>
      <span role="status" className={waiting ? 'text-error font-semibold' : 'quiet'}>
        {t(waiting ? 'save.waiting' : 'save.saved')}
      </span>
    </FrameState>
  )
}
