import { useSyncExternalStore } from 'react'
import { kept } from './kept'

const name = 'all/theme'

export type Theme = 'light' | 'dark'

const themeNames: Record<Theme, string> = { light: 'north-light', dark: 'north-dusk' }

const isTheme = (value: unknown): value is Theme => value === 'light' || value === 'dark'

/** What was chosen, else what the machine prefers. */
export function currentTheme(): Theme {
  const chosen = kept.read(name, isTheme)
  return chosen ?? (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light')
}

const watchers = new Set<() => void>()

export function applyTheme(theme: Theme = currentTheme()) {
  document.documentElement.dataset.theme = themeNames[theme]
  watchers.forEach((watcher) => watcher())
}

export function chooseTheme(theme: Theme) {
  kept.write(name, theme)
  applyTheme(theme)
}

export const useTheme = () =>
  useSyncExternalStore((watcher) => {
    watchers.add(watcher)
    return () => watchers.delete(watcher)
  }, currentTheme)
