import type { Picture, Shot } from '../api/api'
import type { TakenPicture } from './PatchPicture'

/** What a picture may be; whether it really is one, the server says. */
export const pictureTypes = 'image/jpeg,image/png,image/webp'

/** A shot of a patch with what is known of where things lie in it. */
export const takenBy = (shot: Shot): TakenPicture => ({ file: fileOf(shot), card: shot.card, patch: shot.subject })

/** A shot of a camera as the file that it is. */
export function fileOf(shot: Shot): Blob {
  const bytes = Uint8Array.from(atob(shot.jpeg), (letter) => letter.charCodeAt(0))
  return new Blob([bytes], { type: 'image/jpeg' })
}

/** Where a kept picture itself is. */
export const imageOf = (picture: Pick<Picture, 'id'>) => `/api/pictures/${picture.id}/image`
