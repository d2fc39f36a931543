import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ColourView, Exercise, PracticeQuestion } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { FieldPicture } from '../../shared/FieldPicture'
import { Failure, NotThere } from '../../shared/Message'
import { newId } from '../../shared/newId'
import { labWords } from '../../shared/numbers'
import { useTranslation } from '../../shared/translation'
import { useKeys } from '../../shared/useKeys'
import { colourName, deltaE, nameFinder } from '../../shared/words'
import { MatchDoses } from './MatchDoses'

/** What is asked so has no number that was right. */
const yesOrNo: Exercise[] = ['candle', 'folds']

/** One question after the other, on the neutral ground, about as hard as the maker can just do. */
export function QuestionCard({
  exercise,
  withWords,
  onTried,
}: {
  exercise: Exercise
  withWords: boolean
  onTried: () => void
}) {
  const { t } = useTranslation()
  const [number, setNumber] = useState(0)
  const question = useQuery(queries.practiceQuestion(exercise, number))
  const nameOf = nameFinder(useQuery(queries.materials()).data ?? [])
  const [chosen, setChosen] = useState<number | null>(null)
  const keep = useMutation({
    mutationFn: ({ asked, level, isRight }: { asked: PracticeQuestion; level: number; isRight: boolean }) =>
      answer(
        api.PUT('/api/practice/trials/{id}', {
          params: { path: { id: newId() } },
          body: { exercise, level, isRight, about: asked.about },
        }),
      ),
    onSuccess: onTried,
  })
  const asked = question.data
  const isDone = keep.isSuccess || keep.isPending || chosen !== null
  const choose = (choice: number) => {
    if (!asked || isDone || exercise === 'match') return
    setChosen(choice)
    keep.mutate({ asked, level: asked.level, isRight: choice === asked.right })
  }
  const next = () => {
    if (!isDone) return
    setChosen(null)
    keep.reset()
    setNumber(number + 1)
  }
  useKeys({ '1': () => choose(0), '2': () => choose(1), '3': () => choose(2), Enter: next })
  // The list below it on a phone stays where it is from one question to the next.
  if (!asked)
    return (
      <div className="min-h-60">
        <NotThere of={[question]} />
      </div>
    )
  const mixWords = (at: number) => (asked.mixes[at]?.doses ?? []).map((one) => nameOf(one.colourantId)).join(', ')
  const inWords = {
    candle: [t('practice.yes'), t('practice.no')],
    folds: [t('practice.stop'), t('practice.oneMore')],
    wentIn: asked.mixes.map((_, i) => mixWords(i)),
  }[exercise as string]
  return (
    <section aria-labelledby="asked">
      <h2 id="asked" className="text-xl font-semibold">
        {t(`practice.ask.${exercise}`)}
      </h2>
      <div className="surround mt-2 space-y-6 p-4 lg:p-8">
        {asked.shown.length > 0 && exercise !== 'match' && (
          <div className="flex gap-0" aria-label={t('practice.shown')} role="group">
            {asked.shown.map((colour, i) => (
              <Dab key={i} colour={colour} withWords={withWords || isDone} className="h-28 w-28 sm:w-36" />
            ))}
          </div>
        )}
        {exercise === 'match' && (
          <MatchDoses
            key={number}
            question={asked}
            nameOf={nameOf}
            isDone={isDone}
            onDone={(level) => {
              setChosen(0)
              keep.mutate({ asked, level, isRight: false })
            }}
          />
        )}
        {asked.sheets.length > 0 && (
          <div className="flex flex-wrap gap-4">
            {asked.sheets.map((sheet, i) => (
              <figure key={i}>
                <FieldPicture
                  field={sheet}
                  piece={{ widthMm: sheet.columns, lengthMm: sheet.rows }}
                  heightPx={160}
                  label={t(i === 0 ? 'practice.sheetWanted' : 'practice.sheetNow')}
                />
                <figcaption className="pt-1 text-sm">
                  {t(i === 0 ? 'practice.sheetWanted' : 'practice.sheetNow')}
                </figcaption>
              </figure>
            ))}
          </div>
        )}
        {asked.choices.length > 0 && (
          <div className={`flex ${exercise === 'glaze' || exercise === 'steps' ? 'gap-6' : 'gap-0'}`}>
            {asked.choices.map((colour, i) => (
              <button
                key={i}
                className={`cursor-pointer text-left ${chosen === i ? 'outline-surround-ink outline-3' : ''}`}
                aria-label={t('practice.choice', { number: i + 1 })}
                disabled={isDone}
                onClick={() => choose(i)}
              >
                <Dab colour={colour} withWords={withWords || isDone} className="h-28 w-28 sm:w-36" isQuiet />
              </button>
            ))}
          </div>
        )}
        {inWords && (
          <div className="flex flex-wrap gap-3">
            {inWords.map((words, i) => (
              <button
                key={i}
                className="border-surround-ink min-h-12 cursor-pointer border px-4 disabled:cursor-default"
                aria-pressed={chosen === i}
                disabled={isDone}
                onClick={() => choose(i)}
              >
                {words}
                {chosen === i && ' ✓'}
              </button>
            ))}
          </div>
        )}
        {isDone && asked.candle.length > 0 && (
          <div>
            <p className="pb-1 text-sm">{t('practice.candle')}</p>
            <div className="flex">
              {asked.candle.map((colour, i) => (
                <Dab key={i} colour={colour} withWords={withWords} className="h-20 w-28 sm:w-36" />
              ))}
            </div>
          </div>
        )}
      </div>
      <div className="mt-3 flex min-h-12 flex-wrap items-center gap-4">
        {isDone && exercise !== 'match' && (
          <p role="status" className="text-lg">
            <strong>{t(chosen === asked.right ? 'practice.right' : 'practice.wrong')}</strong>{' '}
            {chosen !== asked.right &&
              !yesOrNo.includes(exercise) &&
              t('practice.rightOne', { number: asked.right + 1 })}{' '}
            {exercise === 'folds' && t('practice.foldApart', { deltaE: deltaE(asked.level) })}
            {!yesOrNo.includes(exercise) && t('practice.apart', { deltaE: deltaE(asked.level) })}
          </p>
        )}
        {isDone && (
          <button className="btn btn-primary" onClick={next}>
            {t('practice.next')}
          </button>
        )}
        {!isDone && exercise !== 'match' && <p className="quiet text-sm">{t('practice.chooseKeys')}</p>}
      </div>
      <Failure error={keep.error} nameOf={nameOf} />
    </section>
  )
}

/** A dab to judge; with its words and numbers where they do not tell the answer, or are asked for. */
function Dab({
  colour,
  withWords,
  className,
  isQuiet = false,
}: {
  colour: ColourView
  withWords: boolean
  className: string
  /** What it is in already has a name. */
  isQuiet?: boolean
}) {
  const { t } = useTranslation()
  const words = withWords ? `${colourName(t, colour)}, ${labWords(colour.lab)}` : t('practice.shown')
  return (
    <span className="block">
      <span
        role={isQuiet ? undefined : 'img'}
        aria-label={isQuiet ? undefined : words}
        className={`block ${className}`}
        style={{ backgroundColor: colour.hex }}
      />
      {withWords && <span className="block max-w-36 text-xs">{words}</span>}
    </span>
  )
}
