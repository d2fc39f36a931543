// Loads a running server with reads of its demo, and says how it bore it.
//   node measure.mjs http://127.0.0.1:5097 PID [JPEG of 64 million pixels]
import autocannon from 'autocannon'
import { readFileSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { signIn } from './signIn.mjs'
import { json, studioOf } from './views.mjs'

const [base, pid, large] = process.argv.slice(2)
const memory = () => {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8')
  const megabytes = (name) => Math.round(Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)[1]) / 1024)
  return `${megabytes('VmRSS')} MB now, ${megabytes('VmHWM')} MB at most`
}

const headers = await signIn(base)
const { commissions, flowers, pieces, views } = await studioOf(base)

const reads = (options) =>
  autocannon({ url: base, headers, requests: views.map((path) => ({ method: 'GET', path })), timeout: 20, ...options })

const told = (name, result) =>
  console.log(
    `${name}: ${result.requests.total} requests, median ${result.latency.p50} ms, p99 ${result.latency.p99} ms, slowest ${result.latency.max} ms, ${result.non2xx} not 2xx, ${result.errors} errors; ${memory()}`,
  )

console.log(`${views.length} different views; ${memory()}`)
told('first 10 s at 40/s, nothing known yet', await reads({ connections: 10, overallRate: 40, duration: 10 }))
told('60 s at 40/s', await reads({ connections: 10, overallRate: 40, duration: 60 }))

// As a maker works: something changes every second, so every view is computed anew.
const flower = commissions[0].flowers[0]
let flowersWanted = flower.flowers
const editing = setInterval(async () => {
  flowersWanted = 10 + ((flowersWanted + 1) % 30)
  await fetch(`${base}/api/flowers/${flower.id}/counts`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': String(flower.version) },
    body: JSON.stringify({ flowers: flowersWanted, buds: flower.buds }),
  })
}, 5000)
told('60 s at 40/s with a change every 5 s', await reads({ connections: 10, overallRate: 40, duration: 60 }))
clearInterval(editing)
told('30 s at 150/s', await reads({ connections: 30, overallRate: 150, duration: 30 }))

const lights = ['daylight', 'eveningDaylight', 'lamp', 'tube', 'warmLed', 'candle']
const begun = performance.now()
const blooms = await Promise.all(Array.from({ length: 20 }, (_, i) => fetch(`${base}/api/flowers/${flowers[i % flowers.length]}/bloom?light=${lights[Math.floor(i / flowers.length) % lights.length]}`).then((one) => one.text().then(() => one.status))))
console.log(`20 blooms at once: ${Math.round(performance.now() - begun)} ms, ${blooms.filter((status) => status !== 200).length} not 200; ${memory()}`)

told('10,000 reads as fast as they go', await reads({ connections: 8, amount: 10000 }))
const plan = (await json(base, `/api/pieces/${pieces[0]}`)).plan
const planning = await Promise.all(
  Array.from({ length: 40 }, () =>
    fetch(`${base}/api/pieces/${pieces[0]}/proposals`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ plan, keepPaste: false }) }).then((one) => one.text().then(() => one.status)),
  ),
)
console.log(`40 plannings: ${planning.filter((status) => status === 200).length} done, ${planning.filter((status) => status === 503).length} asked to come again; ${memory()}`)
told('the second 10,000', await reads({ connections: 8, amount: 10000 }))

// 40 plannings that nobody waits for: how long the cores are busy afterwards.
const ticks = () => {
  const stat = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1).split(' ')
  return Number(stat[11]) + Number(stat[12])
}
const gone = new AbortController()
const abandoned = Array.from({ length: 40 }, () =>
  fetch(`${base}/api/pieces/${pieces[0]}/proposals`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ plan, keepPaste: false }), signal: gone.signal }).catch(() => null),
)
await new Promise((done) => setTimeout(done, 1500))
gone.abort()
await Promise.all(abandoned)
const left = performance.now()
let quiet = left
for (let before = ticks(); performance.now() - left < 30000; ) {
  await new Promise((done) => setTimeout(done, 100))
  const now = ticks()
  // A tenth of a core is the watch over the database and the collector.
  if (now - before <= 1) break
  before = now
  quiet = performance.now()
}
console.log(`40 abandoned plannings: the last computing ended ${Math.round(quiet - left)} ms after they hung up`)

const health = []
const planningAgain = new AbortController()
const busy = Array.from({ length: 30 }, () => fetch(`${base}/api/pieces/${pieces[0]}/proposals`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ plan, keepPaste: false }), signal: planningAgain.signal }).catch(() => null))
for (let i = 0; i < 60; i++) {
  const asked = performance.now()
  await (await fetch(`${base}/health/ready`)).text()
  health.push(performance.now() - asked)
  await new Promise((done) => setTimeout(done, 50))
}
planningAgain.abort()
await Promise.all(busy)
health.sort((a, b) => a - b)
console.log(`health while 30 plannings wait: median ${health[30].toFixed(1)} ms, slowest ${health.at(-1).toFixed(1)} ms`)

if (large) {
  const file = readFileSync(large)
  const since = performance.now()
  const statuses = await Promise.all(Array.from({ length: 8 }, () => fetch(`${base}/api/dab-pictures/${randomUUID()}`, { method: 'POST', body: file }).then((one) => one.status)))
  console.log(`8 pictures of 64 million pixels at once (${(file.length / 1e6).toFixed(1)} MB each): ${statuses.join(' ')} in ${((performance.now() - since) / 1000).toFixed(1)} s; ${memory()}`)
}
