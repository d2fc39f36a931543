// Mixed reads at 300 a second, and what the dear views cost with three commissions and with two hundred of six flowers.
//   node growing.mjs http://127.0.0.1:5097 PID
import { readsAt, told as toldOf } from './arrivals.mjs'
import { signIn } from './signIn.mjs'
import { json, studioOf } from './views.mjs'

const [base] = process.argv.slice(2)
const headers = await signIn(base)
const { commissions, flowers, pieces, views } = await studioOf(base)
const reads = (rate, seconds) => readsAt(rate, seconds, base, headers, views)
// What is not compiled yet would be measured first.
await reads(150, 20)
console.log(`${views.length} views at 300/s for 60 s: ${toldOf(await reads(300, 60))}`)

// Four plannings at a time meanwhile, each begun when one is over.
const { plan } = await json(base, `/api/pieces/${pieces[0]}`)
let isOn = true
let planned = 0
const plannings = Array.from({ length: 4 }, async () => {
  while (isOn) {
    const answer = await fetch(`${base}/api/pieces/${pieces[0]}/proposals`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ plan, keepPaste: false }) })
    await answer.text()
    if (!answer.ok) throw new Error(`Planning: ${answer.status}`)
    planned++
  }
})
console.log(`the same beside four plannings: ${toldOf(await reads(300, 60))}, ${planned} planned`)
isOn = false
await Promise.all(plannings)

const id = commissions[0].commission.id
const dear = ['/api/commissions', `/api/paste-day?commissionId=${id}`, '/api/materials/needs', `/api/commissions/${id}/dust-day`]
const median = (times) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]
const tag = new Map()

async function cost(path, turns, knows) {
  const times = []
  for (let i = 0; i < turns; i++) {
    const since = performance.now()
    const answer = await fetch(base + path, knows && tag.has(path) ? { headers: { 'If-None-Match': tag.get(path) } } : {})
    await answer.arrayBuffer()
    times.push(performance.now() - since)
    if (answer.headers.get('etag')) tag.set(path, answer.headers.get('etag'))
  }
  return median(times)
}

// One tick changes the state: what follows from it is worked out again at the next reading.
const ticked = (await json(base, `/api/commissions/${id}/run-sheet`)).operations.find((operation) => operation.phase === 'Shape' || operation.phase === 'shape')
async function tick(done) {
  const answer = await fetch(`${base}/api/ticks`, { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ operations: [{ id: ticked.id, fingerprint: ticked.fingerprint }], isDone: done }) })
  if (!answer.ok) console.log(`ticking: ${answer.status} ${await answer.text()}`)
}

async function told(name) {
  for (const path of dear) {
    await cost(path, 3, false)
    const [whole, known] = [await cost(path, 21, false), await cost(path, 21, true)]
    const after = []
    for (let i = 0; i < 11; i++) {
      await tick(i % 2 === 0)
      after.push(await cost(path, 1, false))
    }
    console.log(`${name}: ${path.replace(id, 'ID')}: ${whole.toFixed(1)} ms, known already ${known.toFixed(1)} ms, after a tick ${median(after).toFixed(1)} ms`)
  }
}

await told('3 commissions')
const post = async (path, body) => {
  const answer = await fetch(base + path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  return answer.json()
}
// One of six flowers first, then that one again and again.
const six = await post(`/api/commissions/${id}/copy`, { name: 'Copy', dueOn: '2027-05-01', withColours: true })
for (let more = commissions[0].flowers.length; more < 6; more++)
  await post(`/api/flowers/${flowers[more % flowers.length]}/copy`, { commissionId: six.id, name: `Flower ${more}`, withColours: true })
for (let i = 4; i < 200; i++) await post(`/api/commissions/${six.id}/copy`, { name: `Copy ${i}`, dueOn: '2027-05-01', withColours: true })
await told('200 commissions')
