import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Exercise, PracticeAnswer } from '../../api/api'
import { queries } from '../../api/queries'
import { NotThere } from '../../shared/Message'
import { PageTitle } from '../../shared/PageTitle'
import { useTranslation } from '../../shared/translation'
import { deltaE } from '../../shared/words'
import { QuestionCard } from './QuestionCard'
import { CheckField } from '../../shared/CheckField'

/** Practice for the eye and the hand: choose what to train, and see how it goes. */
export function PracticePage() {
  const { t } = useTranslation()
  const client = useQueryClient()
  const practice = useQuery(queries.practice())
  const [chosen, choose] = useState<Exercise>('warmer')
  const [withWords, setWithWords] = useState(false)
  if (!practice.data) return <NotThere of={[practice]} />
  return (
    <main className="w-full px-4 pt-5 pb-10 lg:px-6">
      <PageTitle title={t('practice.title')} />
      <p className="quiet mt-1 max-w-prose text-sm">{t('practice.help')}</p>
      <CheckField label={t('practice.words')} checked={withWords} className="mt-2" onChange={setWithWords} />
      <div className="mt-4 grid gap-6 lg:grid-cols-[18rem_minmax(0,1fr)]">
        <ul className="order-last lg:order-none">
          {practice.data.exercises.map((one) => (
            <li key={one.exercise} className="border-base-300 border-b">
              <button
                className={`block w-full cursor-pointer py-2 text-left ${one.exercise === chosen ? 'font-semibold' : 'hover:underline'}`}
                aria-pressed={one.exercise === chosen}
                onClick={() => choose(one.exercise)}
              >
                {t(`practice.name.${one.exercise}`)}
                <span className="quiet block text-sm font-normal">
                  {one.tries === 0
                    ? t('practice.notYet')
                    : [
                        one.threshold !== null &&
                          t(one.exercise === 'match' ? 'practice.matches' : 'practice.threshold', {
                            deltaE: deltaE(one.threshold),
                          }),
                        t('practice.tries', { count: one.tries }),
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                </span>
              </button>
              {one.trend.length > 1 && <Trend trend={one.trend} />}
            </li>
          ))}
        </ul>
        <QuestionCard
          key={chosen}
          exercise={chosen}
          withWords={withWords}
          onTried={() => client.invalidateQueries({ queryKey: queries.practice().queryKey })}
        />
      </div>
    </main>
  )
}

const size = { width: 240, height: 40 }

/** How it goes: lower is finer. */
function Trend({ trend }: { trend: PracticeAnswer['exercises'][number]['trend'] }) {
  const { t } = useTranslation()
  const most = Math.max(...trend.map((one) => one.threshold))
  const points = trend.map(
    (one, i) =>
      `${(i / (trend.length - 1)) * size.width},${size.height - 4 - (one.threshold / most) * (size.height - 8)}`,
  )
  return (
    <svg
      role="img"
      aria-label={t('practice.trend', {
        first: deltaE(trend[0]!.threshold),
        now: deltaE(trend.at(-1)!.threshold),
      })}
      viewBox={`0 0 ${size.width} ${size.height}`}
      className="mb-2 h-10 w-full"
      preserveAspectRatio="none"
    >
      <polyline points={points.join(' ')} fill="none" strokeWidth={1.5} className="stroke-primary" />
    </svg>
  )
}
