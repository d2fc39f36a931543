import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { Material } from '../../api/api'
import { answer, api } from '../../api/api'
import { RequestFailed } from '../../core/RequestFailed'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { LetDownSteps } from '../../shared/LetDownSteps'
import { Problem } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import type { NameOf } from '../../shared/words'
import { grams, troubleWords } from '../../shared/words'
import type { Table } from './tableState'
import { offered } from '../../shared/cabinet'
import { useProblems } from '../../shared/useProblems'
import { Term } from '../../shared/Term'

/** Part of a touch, made measurable by kneading whole touches into a weighed lump of white. */
export function LetDownTool({ table, materials, nameOf }: { table: Table; materials: Material[]; nameOf: NameOf }) {
  const { t } = useTranslation()
  const colours = offered(materials, 'colourant')
  const [colourantId, setColourantId] = useState(table.mixes[0]?.doses[0]?.colourantId ?? colours[0]?.id ?? '')
  const units = colours.find((m) => m.id === colourantId)?.units ?? []
  const [kind, setKind] = useState<string | null>(null)
  const unit = (units.find((one) => one.kind === kind) ?? units[0])?.kind
  const [unitsWanted, setUnitsWanted] = useState(0.4)
  const [pasteG, setPasteG] = useState(table.pasteG)
  // The studio's own scale, unless another one is at hand.
  const studio = useQuery(queries.studio()).data
  const [otherScaleG, setScaleG] = useState<number | null>(null)
  const scaleG = otherScaleG ?? studio?.scaleG ?? 0.1
  const { data, error } = useQuery({
    queryKey: ['let-down', colourantId, unit, unitsWanted, pasteG, scaleG],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/let-downs', { body: { colourantId, unit: unit!, unitsWanted, pasteG, scaleG }, signal })),
    enabled: unit !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  })
  const failed = error instanceof RequestFailed ? error : null
  const problemAt = useProblems([error], nameOf)
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,22rem)_minmax(0,1fr)]">
      <div className="space-y-3">
        <p className="quiet max-w-prose text-sm">
          <Term name="letDown" />: {t('mixing.letDown.help')}
        </p>
        <SelectField
          label={t('mixing.letDown.colour')}
          value={colourantId}
          options={colours.map((m) => ({ value: m.id, label: m.name }))}
          onChoose={setColourantId}
        />
        {unit && units.length > 1 && (
          <Choice
            legend={t('mixing.letDown.unit')}
            options={units.map((one) => ({ value: one.kind as string, label: t(`dose.one.${one.kind}`) }))}
            chosen={unit}
            onChoose={setKind}
          />
        )}
        <NumberField
          label={t('mixing.letDown.wanted')}
          unit={unit ? t(`dose.many.${unit}`) : ''}
          value={unitsWanted}
          problem={problemAt('unitsWanted')}
          onChange={setUnitsWanted}
        />
        <NumberField
          label={t('mixing.letDown.paste')}
          unit="g"
          value={pasteG}
          problem={problemAt('pasteG')}
          onChange={setPasteG}
        />
        <NumberField
          label={t('mixing.letDown.scale')}
          unit="g"
          value={scaleG}
          problem={problemAt('scaleG')}
          onChange={setScaleG}
        />
      </div>
      <div role="status" className="text-sm">
        {failed && failed.problems.length === 0 && <Problem>{troubleWords(t, failed)}</Problem>}
        {!failed && data && (
          <>
            <p className="font-semibold">
              {t('mixing.letDown.dose', { mass: grams(t, data.doseG), paste: grams(t, pasteG) })}
            </p>
            {data.letDown ? (
              <LetDownSteps letDown={data.letDown} name={nameOf(colourantId)} batchWhiteG={data.batchWhiteG} />
            ) : (
              <p>{t('mixing.letDown.cannot')}</p>
            )}
          </>
        )}
      </div>
    </div>
  )
}
