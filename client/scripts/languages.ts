import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Plugin } from 'vite'

const folder = join(import.meta.dirname, '../src/locales')
const module = 'virtual:languages'
const words = 'virtual:words/'

const read = (file: string) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Record<string, unknown>
const named = (files: string[]) =>
  files
    .filter((file) => file.endsWith('.json'))
    .map((file) => file.slice(0, -'.json'.length))
    .sort()

/**
 * Another language is one file beside the folder of the first, `src/locales/de.json`. A page fetches of it what it fetches of the first: the sections that
 * stand in the groups of `src/locales/en`.
 */
export function languages(): Plugin {
  const groups = () => named(readdirSync(join(folder, 'en')))
  const others = () => named(readdirSync(folder))
  return {
    name: 'languages',
    resolveId: (id) => (id === module || id.startsWith(words) ? `\0${id}` : null),
    load(id) {
      if (id === `\0${module}`) {
        const entries = others().map(
          (tag) =>
            `${JSON.stringify(tag)}: { ${groups()
              .map((group) => `${JSON.stringify(group)}: () => import('${words}${tag}/${group}')`)
              .join(', ')} }`,
        )
        return `export const others = { ${entries.join(', ')} }`
      }
      if (!id.startsWith(`\0${words}`)) return null
      const [tag, group] = id.slice(words.length + 1).split('/') as [string, string]
      this.addWatchFile(join(folder, `${tag}.json`))
      const all = read(`${tag}.json`)
      const sections = Object.keys(read(`en/${group}.json`))
      return `export default ${JSON.stringify(Object.fromEntries(sections.map((name) => [name, all[name]])))}`
    },
  }
}
