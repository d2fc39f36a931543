// Plans every piece of a running server's demo by all ways, one piece at a time and then four: how long each takes.
//   node plannings.mjs http://127.0.0.1:5097
import { signIn } from './signIn.mjs'
import { json, studioOf } from './views.mjs'

const [base] = process.argv.slice(2)
await signIn(base)
const { pieces } = await studioOf(base)

async function planned(id) {
  const { plan } = await json(base, `/api/pieces/${id}`)
  const begun = performance.now()
  const answer = await fetch(`${base}/api/pieces/${id}/proposals`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ plan, keepPaste: false }),
  })
  if (!answer.ok) throw new Error(`${id}: ${answer.status}`)
  const { proposals } = await answer.json()
  return { took: performance.now() - begun, said: JSON.stringify(proposals.map((one) => [one.approach, one.worstDeltaE])) }
}

const said = new Map()
for (const atATime of [1, 4]) {
  const waiting = [...pieces]
  const times = []
  await Promise.all(
    Array.from({ length: atATime }, async () => {
      for (let id; (id = waiting.pop()); ) {
        const one = await planned(id)
        times.push(one.took)
        if (said.has(id) && said.get(id) !== one.said) console.log(`${id}: another answer than before`)
        said.set(id, one.said)
      }
    }),
  )
  times.sort((a, b) => a - b)
  console.log(`${times.length} pieces, ${atATime} at a time: median ${Math.round(times[times.length >> 1])} ms, longest ${Math.round(times.at(-1))} ms`)
}
