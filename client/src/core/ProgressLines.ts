import type { ApiProblem } from '../api/api'
import { RequestFailed } from './RequestFailed'

/** What long work says, one JSON value a line: how far it is, and at last its answer, or what went wrong. */
type Line<T> = { progress: number } | { answer: T } | { trouble: ApiProblem }

/** Hears the whole lines of a text that comes in pieces, wherever it is cut: tells progress on, and returns the answer when it comes. */
export class ProgressLines<T> {
  private rest = ''

  /** @param onProgress Is told the share done, 0 to 1. */
  constructor(private readonly onProgress: (share: number) => void) {}

  /** @returns The answer once it is heard. @throws RequestFailed if the work has failed. */
  hear(piece: string): { answer: T } | null {
    const lines = (this.rest + piece).split('\n')
    this.rest = lines.pop() ?? ''
    for (const line of lines.filter(Boolean)) {
      const said = JSON.parse(line) as Line<T>
      if ('answer' in said) return said
      if ('trouble' in said) throw new RequestFailed(said.trouble.code, said.trouble.problems)
      this.onProgress(said.progress)
    }
    return null
  }
}
