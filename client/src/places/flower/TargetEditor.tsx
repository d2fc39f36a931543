import { useTranslation } from '../../shared/translation'
import type { Finish, Target, ZoneView } from '../../api/api'
import { ColourEntry } from '../../shared/ColourEntry'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { Swatch } from '../../shared/Swatch'
import { Problem } from '../../shared/Message'
import { deltaE, differenceWords } from '../../shared/words'
import { Editor } from '../../shared/Editor'
import { Term } from '../../shared/Term'

export const finishes: Finish[] = ['matt', 'satin', 'gloss', 'pearl', 'metallic', 'frosted']

/** What a zone should look like when it is finished, with the result right beside it. */
export function TargetEditor({
  view,
  zone,
  target,
  problem,
  spreadProblem,
  onChange,
  onClose,
}: {
  view: ZoneView
  /** Its name. */
  zone: string
  target: Target
  problem?: string
  spreadProblem?: string
  onChange: (change: Partial<Target>) => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  return (
    <Editor title={t('target.title', { zone })} onClose={onClose}>
      <div className="flex flex-wrap items-start gap-6">
        <ColourEntry
          label={t('target.colour')}
          colour={view.target}
          onChange={({ lab }) => onChange({ colour: lab })}
        />
        <div className="surround flex items-center p-4">
          <Swatch colour={view.ground} label={t('target.result')} className="h-16 w-24" />
          <Swatch colour={view.target} label={t('target.target')} className="h-16 w-24" />
          <p className="pl-3 text-sm">
            <span className="font-semibold">{differenceWords(t, view.difference)}</span>{' '}
            <Term name="deltaE">{deltaE(view.difference.deltaE)}</Term>
            <span className="block text-xs">{t('target.order')}</span>
          </p>
        </div>
        {problem && <Problem>{problem}</Problem>}
        <NumberField
          label={<Term name="spread">{t('target.spread')}</Term>}
          value={target.spread}
          unit={t('target.spreadUnit')}
          problem={spreadProblem}
          onChange={(spread) => onChange({ spread })}
          className="max-w-52"
        />
        <SelectField
          label={t('target.finish')}
          value={target.finish}
          options={finishes.map((finish) => ({ value: finish, label: t(`finish.${finish}`) }))}
          onChoose={(finish) => onChange({ finish: finish as Finish })}
        />
      </div>
    </Editor>
  )
}
