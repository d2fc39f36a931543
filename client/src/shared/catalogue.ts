import { others } from 'virtual:languages'
import first from '../locales/en/first.json'

interface Catalogue {
  [key: string]: string | Catalogue
}

/** The language that everything was written in first. */
export const firstLanguage = 'en'

/** Words that come when a page first needs them: of all pages but the first, and of a few alone. */
const groups = {
  first: async () => ({ default: first as Catalogue }),
  bench: () => import('../locales/en/bench.json'),
  practice: () => import('../locales/en/practice.json'),
  people: () => import('../locales/en/people.json'),
  read: () => import('../locales/en/read.json'),
  rest: () => import('../locales/en/rest.json'),
  files: () => import('../locales/en/files.json'),
  learn: () => import('../locales/en/learn.json'),
  jars: () => import('../locales/en/jars.json'),
  paste: () => import('../locales/en/paste.json'),
  plan: () => import('../locales/en/plan.json'),
}

export type WordGroup = keyof typeof groups

/** Tags of all languages that there are words in. */
export const languages = [firstLanguage, ...Object.keys(others)]

/** What a language calls itself. */
export const nameOfLanguage = (tag: string) => new Intl.DisplayNames(tag, { type: 'language' }).of(tag) ?? tag

let catalogue: Catalogue = first
let tag = firstLanguage
const brought = new Set<WordGroup>(['first'])

const wordsOf = async (language: string, group: WordGroup): Promise<Catalogue> =>
  (await (others[language]?.[group] ?? groups[group])()).default

export async function bringWords(wanted: WordGroup[]) {
  wanted.forEach((group) => brought.add(group))
  const language = tag
  const found = await Promise.all(wanted.map((group) => wordsOf(language, group)))
  // Another language may have been chosen meanwhile; it brings all of them itself.
  if (language === tag) for (const words of found) catalogue = { ...catalogue, ...words }
}

/** Goes over to another language, once all its words are there that were there in the last. */
export async function changeLanguage(language: string) {
  tag = language
  const found = await Promise.all([...brought].map((group) => wordsOf(language, group)))
  if (language === tag) catalogue = Object.assign({}, ...found) as Catalogue
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
