import { SignedOut } from '../core/SignedOut'

const header = 'X-Anti-Forgery'
const wordOf = /(?:^|; )young-tinge-word=([^;]*)/

/** The word that only our own pages can read and send with a change. */
export const forgeryWord = (): Record<string, string> => {
  const word = wordOf.exec(document.cookie)?.[1]
  return word ? { [header]: decodeURIComponent(word) } : {}
}

export const signedOut = new SignedOut()

/** As fetch, with the word for changes; where it is from before somebody signed in or out it is asked for, and the change sent once more. */
export async function send(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
  const request = new Request(input, init)
  if (request.method === 'GET') return fetch(request)
  const again = request.clone()
  const response = await fetch(withWord(request))
  if (response.status !== 403 || (await codeOf(response)) !== 'oldPage') return response
  await fetch('/api/me')
  return fetch(withWord(again))
}

function withWord(request: Request): Request {
  for (const [name, value] of Object.entries(forgeryWord())) request.headers.set(name, value)
  return request
}

const codeOf = async (response: Response) =>
  (
    (await response
      .clone()
      .json()
      .catch(() => undefined)) as { code?: string } | undefined
  )?.code
