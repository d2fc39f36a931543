import type { Shot } from '../api/api'

/** What a picture may be; whether it really is one, the server says. */
export const pictureTypes = 'image/jpeg,image/png,image/webp'

/** A shot of a camera as the file that it is. */
export function fileOf(shot: Shot): Blob {
  const bytes = Uint8Array.from(atob(shot.jpeg), (letter) => letter.charCodeAt(0))
  return new Blob([bytes], { type: 'image/jpeg' })
}
