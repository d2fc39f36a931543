import { FileButton } from './FileButton'
import { pictureTypes } from './pictureFiles'
import { useTranslation } from './translation'

/** Both ways to a picture: a file that there is, or on a phone a photograph taken now. */
export function PictureButtons({
  label,
  isBusy = false,
  onFile,
}: {
  /** What the picture shows. */
  label: string
  isBusy?: boolean
  onFile: (file: File) => void
}) {
  const { t } = useTranslation()
  return (
    <>
      <FileButton label={label} accept={pictureTypes} disabled={isBusy} onFile={onFile}>
        {t('pictures.choose')}
      </FileButton>
      <FileButton label={t('pictures.cameraFile')} accept={pictureTypes} capture disabled={isBusy} onFile={onFile}>
        {t('pictures.camera')}
      </FileButton>
    </>
  )
}
