import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import type { BeginStudio as Request, Door } from '../../api/api'
import { answer, api } from '../../api/api'
import { BeginStudioRequestLimits } from '../../api/limits'
import { RequestFailed } from '../../core/RequestFailed'
import { hasFields } from '../../core/Kept'
import { Choice } from '../../shared/Choice'
import { language as spoken, speak } from '../../shared/language'
import { Problem, WholeFailure } from '../../shared/Message'
import { NewPassword } from '../../shared/NewPassword'
import { NewPerson } from '../../shared/NewPerson'
import { NumberField } from '../../shared/NumberField'
import { PageTitle } from '../../shared/PageTitle'
import { CurrencySelect, LanguageSelect, TimeZoneSelect } from '../../shared/StudioSelects'
import { TextField } from '../../shared/TextField'
import { useTranslation } from '../../shared/translation'
import { useCameIn } from '../../shared/useCameIn'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'

type Draft = Omit<Request, 'password'>

const steps = ['studio', 'you', 'with'] as const
type Step = (typeof steps)[number]

/** The step at which a field stands. */
const stepOf = (path: string): Step =>
  path === 'with' ? 'with' : ['maker', 'signInName', 'password'].includes(path) ? 'you' : 'studio'

/** A studio of one's own in three short steps: what it is called and how it measures, who owns it, and what it begins with. */
export function BeginStudio({ door }: { door: Door }) {
  const { t } = useTranslation()
  const cameIn = useCameIn()
  const [step, setStep] = useState<Step>('studio')
  const [password, setPassword] = useState('')
  const begun: Draft = {
    name: '',
    maker: '',
    measures: 'metric',
    scaleG: door.usualScaleG,
    currency: 'EUR',
    language: spoken().tag.split('-')[0]!,
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
    signInName: '',
    with: 'starterCabinet',
  }
  // The password is not kept anywhere.
  const { value: draft, set } = useKept('all/begin', begun, (value): value is Draft =>
    hasFields(value, 'name', 'maker', 'measures', 'scaleG', 'currency', 'language', 'timeZone', 'signInName', 'with'),
  )
  const change = (changed: Partial<Draft>) => set({ ...draft, ...changed })
  const begin = useMutation({
    mutationFn: () => answer(api.POST('/api/door/studios', { body: { ...draft, password } })),
    onSuccess: cameIn,
    onError: (error) => {
      const first = error instanceof RequestFailed ? error.problems[0] : undefined
      if (first) setStep(stepOf(first.path))
    },
  })
  const problemAt = useProblems([begin.error])
  const at = steps.indexOf(step)
  const isLast = at === steps.length - 1
  return (
    <>
      <PageTitle title={t('begin.title')} />
      <p className="quiet mt-1 text-sm">{t('begin.step', { at: at + 1, of: steps.length })}</p>
      <form
        className="mt-4 space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (isLast) begin.mutate()
          else setStep(steps[at + 1]!)
        }}
      >
        <h2 className="font-semibold">{t(`begin.head.${step}`)}</h2>
        {step === 'studio' && (
          <>
            <LanguageSelect
              value={draft.language}
              onChoose={(tag) => {
                change({ language: tag })
                void speak(tag)
              }}
            />
            <TextField
              label={t('studio.name')}
              value={draft.name}
              most={BeginStudioRequestLimits.name.maxLength}
              problem={problemAt('name')}
              className="w-full"
              onChange={(name) => change({ name })}
            />
            <Choice
              legend={t('measuring.measures')}
              options={(['metric', 'imperial'] as const).map((value) => ({ value, label: t(`measuring.${value}`) }))}
              chosen={draft.measures}
              onChoose={(measures) => change({ measures })}
            />
            <NumberField
              label={t('measuring.scale')}
              value={draft.scaleG}
              unit="g"
              problem={problemAt('scaleG')}
              onChange={(scaleG) => change({ scaleG })}
            />
            <CurrencySelect value={draft.currency} onChoose={(currency) => change({ currency })} />
            <TimeZoneSelect value={draft.timeZone} onChoose={(timeZone) => change({ timeZone })} />
          </>
        )}
        {step === 'you' && (
          <>
            <NewPerson
              label={t('begin.maker')}
              name={draft.maker}
              nameProblem={problemAt('maker')}
              signInName={draft.signInName}
              signInProblem={problemAt('signInName')}
              onName={(maker) => change({ maker })}
              onSignInName={(signInName) => change({ signInName })}
            />
            <NewPassword value={password} problem={problemAt('password')} onChange={setPassword} />
          </>
        )}
        {step === 'with' && (
          <fieldset className="space-y-2">
            <legend className="sr-only">{t('begin.head.with')}</legend>
            {(['starterCabinet', 'emptyCabinet', 'demo'] as const)
              .filter((value) => value !== 'demo' || door.mayHaveDemo)
              .map((value) => (
                <label key={value} className="flex items-start gap-3">
                  <input
                    type="radio"
                    name="with"
                    className="mt-1"
                    checked={draft.with === value}
                    onChange={() => change({ with: value })}
                  />
                  <span>
                    <span className="block">{t(`begin.with.${value}`)}</span>
                    <span className="quiet block text-sm">{t(`begin.withHelp.${value}`)}</span>
                  </span>
                </label>
              ))}
            {problemAt('with') && <Problem>{problemAt('with')}</Problem>}
          </fieldset>
        )}
        <div className="flex gap-3">
          {at > 0 && (
            <button type="button" className="btn" onClick={() => setStep(steps[at - 1]!)}>
              {t('begin.back')}
            </button>
          )}
          <button className="btn btn-primary" disabled={begin.isPending}>
            {t(isLast ? 'begin.make' : 'begin.on')}
          </button>
        </div>
        <WholeFailure error={begin.error} kept />
      </form>
    </>
  )
}
