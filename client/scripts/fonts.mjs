// Cuts out of each font what nearly every page needs, so that the first page comes quickly: `npm run fonts`, when the words or the
// fonts change. Letters that are not in it come from the font's whole files, by their range, where a page has them.
import { readdir, readFile, writeFile } from 'node:fs/promises'
import subset from 'subset-font'

const plainLetters = Array.from({ length: 0x7f - 0x20 }, (_, i) => String.fromCharCode(0x20 + i)).join('')
// What numbers and units are written with, in the ways of Intl and of our own pages.
const marks = '\u00a0\u202f\u2009·–—‘’“”…×−±°²Δ½¼¾'
let words = plainLetters + marks
for (const file of await readdir('src/locales', { recursive: true })) {
  if (file.endsWith('.json')) words += await readFile(`src/locales/${file}`, 'utf8')
}
const letters = [...new Set(words)].filter((letter) => letter >= ' ').sort()

const fonts = [
  {
    family: 'Hanken Grotesk Variable',
    source: '@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2',
    file: 'hanken-grotesk.woff2',
    weight: '400 700',
    axes: { wght: { min: 400, max: 700, default: 400 } },
  },
  {
    family: 'Young Serif',
    source: '@fontsource/young-serif/files/young-serif-latin-400-normal.woff2',
    file: 'young-serif.woff2',
    weight: '400',
  },
]

const range = letters.map((letter) => `U+${letter.codePointAt(0).toString(16).toUpperCase()}`).join(', ')
let css = '/* Made by scripts/fonts.mjs. */\n'
for (const { family, source, file, weight, axes } of fonts) {
  const whole = await readFile(`node_modules/${source}`)
  const part = await subset(whole, letters.join(''), {
    targetFormat: 'woff2',
    variationAxes: axes,
    // Without the screen hints of last century's printers of pixels; with what shapes numbers in columns.
    noHinting: true,
    keepFeatures: ['kern', 'liga', 'tnum'],
  })
  await writeFile(`src/fonts/${file}`, part)
  css += `
@font-face {
  font-family: '${family}';
  font-display: swap;
  font-weight: ${weight};
  src: url('./${file}') format('woff2');
  unicode-range: ${range};
}
`
}
await writeFile('src/fonts/first.css', css)
