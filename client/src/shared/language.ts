import { useSyncExternalStore } from 'react'

/** How words, numbers and measures are written here. */
export interface Language {
  /** A BCP 47 tag: of the language of the catalogue, in the way of this browser's country. */
  tag: string
  isImperial: boolean
  /** Decimals that the studio's scale shows. */
  scaleDecimals: number
}

/** The languages that there is a catalogue for. */
const catalogues = ['en']

const tagOf = (wanted: readonly string[]) =>
  wanted.find((tag) => catalogues.includes(tag.split('-')[0]!)) ?? catalogues[0]!

let current: Language = { tag: tagOf(navigator.languages), isImperial: false, scaleDecimals: 1 }

const watchers = new Set<() => void>()

export const language = () => current

/** Measures as the studio does: every text on the page follows. */
export function measureIn(isImperial: boolean, scaleDecimals: number) {
  if (current.isImperial === isImperial && current.scaleDecimals === scaleDecimals) return
  current = { ...current, isImperial, scaleDecimals }
  watchers.forEach((watcher) => watcher())
}

export const useLanguage = () =>
  useSyncExternalStore((watcher) => {
    watchers.add(watcher)
    return () => watchers.delete(watcher)
  }, language)
