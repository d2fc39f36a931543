// How many colours of a paste with two colourants spectral.js (npm) tells a second on one core: Kubelka-Munk over its own 38 bands, to
// OKLab. What it mixes is made once, as for the core.
import spectral from 'spectral.js'

const white = new spectral.Color([244, 242, 236])
const colours = [new spectral.Color([190, 170, 30]), new spectral.Color([70, 110, 60])]

const run = (times) => {
  let sum = 0
  for (let i = 0; i < times; i++) {
    const dose = 0.1 + (i % 100) / 1000
    sum += spectral.mix([white, 1], [colours[0], dose], [colours[1], dose / 3]).OKLab[0]
  }
  return sum
}

run(20_000)
const times = 200_000
const begin = performance.now()
run(times)
console.log(`spectral.js: ${Math.round((times / (performance.now() - begin)) * 1000).toLocaleString('en')} a second`)
