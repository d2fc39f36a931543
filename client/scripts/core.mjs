// Puts src/core into one file that any JavaScript engine runs, for its tests: `node scripts/core.mjs FILE`.
import { readdir } from 'node:fs/promises'
import { dirname, basename, resolve } from 'node:path'
import { build } from 'vite'

const entry = '\0core'
const root = resolve(import.meta.dirname, '..')
const modules = (await readdir(`${root}/src/core`)).map((file) => `export * from '${root}/src/core/${file}'`)
const target = resolve(process.argv[2])

await build({
  configFile: false,
  root,
  logLevel: 'error',
  plugins: [
    {
      name: 'core',
      enforce: 'pre',
      resolveId: (id, importer) => (importer ? undefined : entry),
      load: (id) => (id === entry ? modules.join('\n') : undefined),
    },
  ],
  build: {
    lib: { entry: 'core', formats: ['es'], fileName: () => basename(target) },
    outDir: dirname(target),
    emptyOutDir: false,
    minify: false,
    target: 'es2022',
  },
})
