// Lays a compressed copy beside each script and style of the built client: the server sends it as it is. Runs after every build.
import { readdir, readFile, writeFile } from 'node:fs/promises'
import { gzipSync } from 'node:zlib'

const assets = '../src/YoungTinge.Web/wwwroot/assets'
for (const file of await readdir(assets)) {
  if (/\.(js|css)$/.test(file)) {
    await writeFile(`${assets}/${file}.gz`, gzipSync(await readFile(`${assets}/${file}`), { level: 9 }))
  }
}
