import { useTranslation } from './translation'

/** Somebody else saved in the meantime: whose version stays is for the maker to say. */
export function ClashChoice({ onTheirs, onMine }: { onTheirs: () => void; onMine: () => void }) {
  const { t } = useTranslation()
  return (
    <div role="alert" className="border-error border-l-4 pl-3 text-sm">
      <p className="font-semibold">{t('trouble.changedElsewhere')}</p>
      <p>{t('clash.choose')}</p>
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn btn-sm" onClick={onTheirs}>
          {t('clash.theirs')}
        </button>
        <button type="button" className="btn btn-sm" onClick={onMine}>
          {t('clash.mine')}
        </button>
      </div>
    </div>
  )
}
