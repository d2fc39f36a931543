const key = 'young-tinge/theme'

export type Theme = 'light' | 'dark'

const themeNames: Record<Theme, string> = { light: 'north-light', dark: 'north-dusk' }

/** What was chosen, else what the machine prefers. */
export function currentTheme(): Theme {
  const kept = localStorage.getItem(key)
  if (kept === 'light' || kept === 'dark') return kept
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export function applyTheme(theme: Theme = currentTheme()) {
  document.documentElement.dataset.theme = themeNames[theme]
}

export function chooseTheme(theme: Theme) {
  localStorage.setItem(key, theme)
  applyTheme(theme)
}
