import first from '../locales/en/first.json'

interface Catalogue {
  [key: string]: string | Catalogue
}

let catalogue: Catalogue = first

/** Words that come when a page first needs them: of all pages but the first, and of a few alone. */
const groups = {
  bench: () => import('../locales/en/bench.json'),
  practice: () => import('../locales/en/practice.json'),
  read: () => import('../locales/en/read.json'),
  rest: () => import('../locales/en/rest.json'),
  files: () => import('../locales/en/files.json'),
  learn: () => import('../locales/en/learn.json'),
  jars: () => import('../locales/en/jars.json'),
  paste: () => import('../locales/en/paste.json'),
  plan: () => import('../locales/en/plan.json'),
}

export type WordGroup = keyof typeof groups

export async function bringWords(wanted: WordGroup[]) {
  const found: { default: Catalogue }[] = await Promise.all(wanted.map((group) => groups[group]()))
  for (const { default: words } of found) catalogue = { ...catalogue, ...words }
}

/** The text of a key; nothing if there is none. */
export function find(key: string): string | undefined {
  const found = key
    .split('.')
    .reduce<string | Catalogue | undefined>((at, part) => (typeof at === 'object' ? at[part] : undefined), catalogue)
  return typeof found === 'string' ? found : undefined
}

/** A measure with its unit, as the language writes it. @param unit Of the catalogue. @param value As it is written. */
export const withUnit = (unit: string, value: string): string =>
  (find(`unit.${unit}`) ?? '{{value}}').replace('{{value}}', value)
