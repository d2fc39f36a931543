import { useEffect } from 'react'
import { kept } from '../../shared/kept'

/** Something that is over at a time. */
export interface Alarm {
  key: string
  words: string
  /** In ms. */
  endsAt: number
}

const rungName = 'bench/rung'
const areKeys = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((one) => typeof one === 'string')
/** What was over longer ago, while nobody looked, is not rung any more: it stands on the page. */
const longAgoMs = 10 * 60_000

/** Rings once for everything that is over, also after a reload: by sound, by shaking, and by a notice where that is allowed. */
export function useAlarms(alarms: Alarm[], now: number) {
  useEffect(() => {
    const over = alarms.filter((one) => one.endsAt <= now && one.endsAt > now - longAgoMs)
    if (over.length === 0) return
    const rung = kept.read(rungName, areKeys) ?? []
    const fresh = over.filter((one) => !rung.includes(one.key))
    if (fresh.length === 0) return
    kept.write(rungName, [...rung, ...fresh.map((one) => one.key)].slice(-200))
    ring()
    for (const one of fresh) void notify(one.words)
  }, [alarms, now])
}

/** Three soft tones, made here. */
function ring() {
  navigator.vibrate?.([200, 100, 200])
  try {
    const sound = new AudioContext()
    for (let i = 0; i < 3; i++) {
      const tone = sound.createOscillator()
      const loudness = sound.createGain()
      const from = sound.currentTime + 0.35 * i
      tone.frequency.value = 660
      loudness.gain.setValueAtTime(0.0001, from)
      loudness.gain.exponentialRampToValueAtTime(0.2, from + 0.03)
      loudness.gain.exponentialRampToValueAtTime(0.0001, from + 0.3)
      tone.connect(loudness).connect(sound.destination)
      tone.start(from)
      tone.stop(from + 0.32)
    }
    setTimeout(() => void sound.close(), 2000)
  } catch {
    // No sound on this device, or not before somebody has touched the page.
  }
}

export const mayNotify = () => 'Notification' in window && Notification.permission === 'granted'

/** Whether she could still be asked. */
export const canAskToNotify = () => 'Notification' in window && Notification.permission === 'default'

async function notify(words: string) {
  if (!mayNotify() || document.visibilityState === 'visible') return
  const worker = await navigator.serviceWorker?.getRegistration()
  if (worker) await worker.showNotification(words, { icon: '/icon.svg' })
  else new Notification(words)
}
