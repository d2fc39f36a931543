import { useEffect, useId, useRef, useState } from 'react'
import { useTranslation } from './translation'
import type { ColourView } from '../api/api'
import { answer, api } from '../api/api'
import { RequestFailed } from '../core/RequestFailed'
import { Problem } from './Message'
import { Term } from './Term'
import type { TermName } from './terms'
import { colourName, problemWords, troubleWords } from './words'
import { labWords } from './numbers'

/** A colour half typed is no mistake: what does not look whole yet is read only after this much quiet. */
const quietMs = 500

/** Six hex digits, or three numbers: whether they are a colour, the server says. */
const looksWhole = /^\s*(#?[0-9a-f]{6}|\D*\d+(\.\d+)?[^\d.]+\d+(\.\d+)?[^\d.]+\d+(\.\d+)?\)?)\s*$/i

/** A colour that is picked, or typed as #hex or as L, a, b. The server reads it and says what it is called. */
export function ColourEntry({
  label,
  term,
  colour,
  onChange,
  onReading,
}: {
  label: string
  /** Word of the trade that the label is. */
  term?: TermName
  colour: ColourView | null
  onChange: (colour: ColourView) => void
  /** While the server reads what was typed. */
  onReading?: (isReading: boolean) => void
}) {
  const { t } = useTranslation()
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  // Answers can overtake each other while a picker is dragged; only the last question counts.
  const asked = useRef(0)

  // Leaving the field must not read again what has been read: that would count as a change.
  const wasRead = useRef<string | null>(null)
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => () => clearTimeout(pause.current), [])

  /** @returns Whether it was a colour. */
  async function read(text: string): Promise<boolean> {
    clearTimeout(pause.current)
    const question = ++asked.current
    onReading?.(true)
    try {
      const read = await answer(api.POST('/api/colours/read', { body: { text } }))
      if (question !== asked.current) return false
      setWrong(null)
      wasRead.current = text
      onChange(read)
      return true
    } catch (error) {
      if (question !== asked.current || !(error instanceof RequestFailed)) return false
      const [problem] = error.problems
      setWrong(problem ? problemWords(t, problem, (id) => id) : troubleWords(t, error))
      return false
    } finally {
      if (question === asked.current) onReading?.(false)
    }
  }

  return (
    <div>
      <label htmlFor={id} className="quiet block text-xs">
        {term ? <Term name={term}>{label}</Term> : label}
      </label>
      <span className="flex items-center gap-2">
        <input
          type="color"
          className="surround h-9 w-14 cursor-pointer p-1"
          aria-label={t('colourEntry.pick', { label })}
          value={colour?.hex ?? '#cccccc'}
          onChange={(event) => {
            setTyped(null)
            void read(event.target.value)
          }}
        />
        <input
          id={id}
          className="input input-sm w-44"
          value={typed ?? colour?.hex ?? ''}
          placeholder={t('colourEntry.example')}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={`${id}-said`}
          spellCheck={false}
          onChange={(event) => {
            const text = event.target.value
            setTyped(text)
            clearTimeout(pause.current)
            if (looksWhole.test(text)) void read(text)
            else pause.current = setTimeout(() => void read(text), quietMs)
          }}
          onBlur={() => {
            if (typed === null) return
            if (typed === wasRead.current) setTyped(null)
            else void read(typed).then((isColour) => isColour && setTyped(null))
          }}
        />
      </span>
      <div id={`${id}-said`}>
        {wrong ? (
          <Problem>{wrong}</Problem>
        ) : (
          colour && (
            <p className="quiet mt-1 text-xs">
              {colourName(t, colour)}, {labWords(colour.lab)}
            </p>
          )
        )}
      </div>
    </div>
  )
}
