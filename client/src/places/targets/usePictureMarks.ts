import { useMutation } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import type { Picture, PictureMarks } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { hasFields } from '../../core/Kept'
import { isClash, RequestFailed } from '../../core/RequestFailed'
import { useKept } from '../../shared/useKept'

interface Kept {
  marks: PictureMarks
  version: number
}

const isKept = (value: unknown): value is Kept => hasFields(value, 'marks', 'version')

/**
 * How a picture is read and where it was sampled: changed at once, saved behind.
 * @param onConflict Someone else has moved something in this picture; what is here is old.
 */
export function usePictureMarks(picture: Picture, onSaved: () => void, onConflict: () => void) {
  // Kept here until it is saved: places that were set without a connection are not lost.
  const kept = useKept<Kept>(`picture-marks/${picture.id}`, { marks: picture.marks, version: picture.version }, isKept)
  const { marks } = kept.value
  // Several changes may be on their way; each is made from the version that the one before came to.
  const version = useRef(kept.value.version)
  const save = useMutation({
    mutationFn: (next: PictureMarks) =>
      answer(
        api.PUT('/api/pictures/{id}/marks', {
          params: { path: { id: picture.id } },
          headers: madeFrom(version.current),
          body: { marks: next },
        }),
      ),
    onSuccess: (saved, sent) => {
      version.current = saved.version
      if (latest.current === sent) kept.drop({ marks: sent, version: saved.version })
      onSaved()
    },
    onError: (error) => {
      if (!isClash(error)) return
      kept.drop(kept.value)
      onConflict()
    },
    retry: (_, error) => error instanceof RequestFailed && error.isPassing,
    retryDelay: (times) => Math.min(10_000, 1000 * 2 ** times),
    // One after the other.
    scope: { id: picture.id },
  })
  const latest = useRef<PictureMarks | null>(null)
  const change = (next: PictureMarks) => {
    latest.current = next
    kept.set({ marks: next, version: version.current })
    save.mutate(next)
  }
  const { mutate } = save
  const left = useRef(kept.isChanged ? kept.value.marks : null)
  useEffect(() => {
    // What a page before this one could not save any more.
    if (!left.current) return
    latest.current = left.current
    mutate(left.current)
    left.current = null
  }, [mutate])
  return { marks, change, failure: save.error }
}
