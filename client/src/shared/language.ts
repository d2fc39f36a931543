import { useSyncExternalStore } from 'react'
import { changeLanguage, firstLanguage, languages } from './catalogue'
import { kept } from './kept'

/** How words, numbers and measures are written here. */
export interface Language {
  /** A BCP 47 tag: of the language of the catalogue, in the way of this browser's country. */
  tag: string
  isImperial: boolean
  /** Decimals that the studio's scale shows. */
  scaleDecimals: number
}

const name = 'all/language'

const isLanguage = (value: unknown): value is string => typeof value === 'string' && languages.includes(value)

/** In the way of this browser's country, if that is one where the language is spoken. */
const tagOf = (language: string) => navigator.languages.find((tag) => tag.split('-')[0] === language) ?? language

/** The language of the last time, before it is known who has signed in; else that of the browser. */
const begun =
  kept.read(name, isLanguage) ??
  navigator.languages.map((tag) => tag.split('-')[0]!).find((tag) => languages.includes(tag)) ??
  firstLanguage

let current: Language = { tag: tagOf(firstLanguage), isImperial: false, scaleDecimals: 1 }

const watchers = new Set<() => void>()

export const language = () => current

function become(next: Partial<Language>) {
  current = { ...current, ...next }
  watchers.forEach((watcher) => watcher())
}

/** Speaks another language, if there are words in it: every text on the page follows. */
export async function speak(wanted: string) {
  const spoken = wanted.split('-')[0]!
  if (!languages.includes(spoken) || current.tag.split('-')[0] === spoken) return
  await changeLanguage(spoken)
  kept.write(name, spoken)
  document.documentElement.lang = spoken
  become({ tag: tagOf(spoken) })
}

/** Before anything is drawn. */
export const speakAsBefore = () => speak(begun)

/** Measures as the studio does: every text on the page follows. */
export function measureIn(isImperial: boolean, scaleDecimals: number) {
  if (current.isImperial === isImperial && current.scaleDecimals === scaleDecimals) return
  become({ isImperial, scaleDecimals })
}

export const useLanguage = () =>
  useSyncExternalStore((watcher) => {
    watchers.add(watcher)
    return () => watchers.delete(watcher)
  }, language)
