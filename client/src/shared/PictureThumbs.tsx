import type { Picture } from '../api/api'
import { imageOf } from './pictureFiles'
import { useTranslation } from './translation'

/** One of several pictures is chosen by its small likeness. */
export function PictureThumbs({
  label,
  pictures,
  chosenId,
  onChoose,
}: {
  label: string
  pictures: Picture[]
  chosenId?: string
  onChoose: (picture: Picture) => void
}) {
  const { t } = useTranslation()
  return (
    <ul className="flex flex-wrap gap-2" aria-label={label}>
      {pictures.map((one, i) => (
        <li key={one.id}>
          <button
            type="button"
            aria-pressed={one.id === chosenId}
            aria-label={t('pictures.number', { number: i + 1, name: one.name })}
            className={`cursor-pointer border-2 ${one.id === chosenId ? 'border-base-content' : 'border-transparent'}`}
            onClick={() => onChoose(one)}
          >
            <img src={imageOf(one)} alt="" className="h-14" />
          </button>
        </li>
      ))}
    </ul>
  )
}
