// Reads that come as people's do: each at a moment of its own (a Poisson process), whatever became of those before it. A load that sends so many
// at the beginning of every second, and the next only when one is answered, measures how long a queue of its own making takes.
import http from 'node:http'

/**
 * @param rate Reads a second.
 * @param seconds For how long.
 * @returns Latencies in ms, from the moment at which each was to be sent: all of them, sorted, and how many failed.
 */
export function readsAt(rate, seconds, base, headers, paths) {
  const agent = new http.Agent({ keepAlive: true, maxSockets: 64 })
  const latencies = []
  let failed = 0
  const read = (path, due) =>
    new Promise((done) => {
      const over = (isGood) => {
        latencies.push(performance.now() - due)
        if (!isGood) failed++
        done()
      }
      http.get(base + path, { agent, headers: { ...headers, 'Accept-Encoding': 'gzip' } }, (answer) => {
        answer.resume()
        answer.on('end', () => over(answer.statusCode === 200))
      }).on('error', () => over(false))
    })
  return new Promise((done) => {
    const began = performance.now()
    const open = new Set()
    let due = began
    let count = 0
    const go = () => {
      const now = performance.now()
      while (due <= now && due - began < 1000 * seconds) {
        const one = read(paths[count++ % paths.length], due).then(() => open.delete(one))
        open.add(one)
        due -= Math.log(1 - Math.random()) * (1000 / rate)
      }
      if (due - began < 1000 * seconds) setTimeout(go, Math.max(0, due - now))
      else void Promise.all(open).then(() => {
        agent.destroy()
        done({ latencies: latencies.sort((a, b) => a - b), failed })
      })
    }
    go()
  })
}

/** "5,980 reads, median 3 ms, p99 21 ms, slowest 80 ms, 0 failed" */
export function told({ latencies, failed }) {
  const at = (share) => latencies[Math.min(latencies.length - 1, Math.floor(share * latencies.length))].toFixed(0)
  return `${latencies.length} reads, median ${at(0.5)} ms, p99 ${at(0.99)} ms, slowest ${at(1)} ms, ${failed} failed`
}
