import { useTranslation } from './translation'
import { Link } from 'wouter'
import { Dialog } from './Dialog'

const keys = [
  ['/', 'jump'],
  ['?', 'help'],
  ['Esc', 'close'],
  ['r', 'runSheet'],
  ['t', 'targets'],
  ['p', 'propose'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
] as const

/** The keys that save a way. */
export function Shortcuts({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation()
  return (
    <Dialog title={t('keys.title')} onClose={onClose}>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="kbd kbd-sm">{key}</kbd>
            </dt>
            <dd>{t(`keys.${what}`)}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-sm">
        <Link className="act" to="/glossary" onClick={onClose}>
          {t('frame.glossary')}
        </Link>
      </p>
    </Dialog>
  )
}
