// Signs in to the demo that a server shows to whoever comes: every later fetch is that person's.
const word = 'young-tinge-word'

/** @returns Headers for whatever does not fetch by itself. */
export async function signIn(base) {
  const { demo } = await (await fetch(`${base}/api/door`)).json()
  const answer = await fetch(`${base}/api/door/sign-in`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(demo) })
  if (!answer.ok) throw new Error(`Signing in: ${answer.status}`)
  const cookies = new Map(answer.headers.getSetCookie().map((cookie) => cookie.split(';')[0].split(/=(.*)/s)).map(([name, value]) => [name, value]))
  const headers = { Cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; '), 'X-Anti-Forgery': decodeURIComponent(cookies.get(word)) }
  const plain = globalThis.fetch
  globalThis.fetch = (url, options = {}) => plain(url, { ...options, headers: { ...headers, ...options.headers } })
  return headers
}
