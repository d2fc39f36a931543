import { useTranslation } from '../../shared/translation'
import type { DustCoat, NamedLoad } from '../../api/api'
import { isDust } from '../../shared/cabinet'
import { Choice } from '../../shared/Choice'
import { NumberField } from '../../shared/NumberField'
import type { CoatFieldsProps } from './coatFields'
import { mixAmounts } from './coatWords'
import { MixFields } from './MixFields'
import { WhereFields } from './WhereFields'
import { Term } from '../../shared/Term'

interface DustFieldsProps extends CoatFieldsProps<DustCoat> {
  /** What a hand calls light, medium and heavy. */
  loads: NamedLoad[]
}

/** What a coat of dust is made of, how much of it, and where it goes. */
export function DustFields(props: DustFieldsProps) {
  const { t } = useTranslation()
  const { coat, view, materials, nameOf, problemAt, onChange } = props
  return (
    <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2 xl:grid-cols-[minmax(14rem,1fr)_minmax(9.5rem,auto)_minmax(20rem,1.2fr)]">
      <div>
        <MixFields
          mix={coat.mix}
          choices={materials.filter((m) => isDust(m.kind))}
          nameOf={nameOf}
          problemAt={problemAt}
          onChange={(mix) => onChange({ ...coat, mix })}
        />
        {view && <p className="quiet mt-1 text-xs">{t('mix.amounts', { amounts: mixAmounts(t, view, nameOf) })}</p>}
      </div>
      <div>
        <Load {...props} />
      </div>
      <WhereFields
        place={coat.place}
        sides={coat.sides}
        problemAt={problemAt}
        onChange={(part) => onChange({ ...coat, ...part })}
      />
    </div>
  )
}

function Load({ coat, loads, problemAt, onChange }: DustFieldsProps) {
  const { t } = useTranslation()
  const setLoad = (loadMgPerCm2: number) => onChange({ ...coat, loadMgPerCm2 })
  return (
    <div>
      <Choice
        legend={<Term name="load">{t('load.title')}</Term>}
        options={loads.map(({ word }) => ({ value: word, label: t(`load.${word}`) }))}
        chosen={loads.find((load) => load.mgPerCm2 === coat.loadMgPerCm2)?.word}
        onChoose={(word) => setLoad(loads.find((load) => load.word === word)!.mgPerCm2)}
      />
      <input
        type="range"
        className="range range-xs mt-3 w-full"
        aria-label={t('load.slider')}
        min={0.01}
        max={0.8}
        step={0.01}
        value={coat.loadMgPerCm2}
        onChange={(event) => setLoad(Number(event.target.value))}
      />
      <NumberField
        label={t('load.exact')}
        unit="mg/cm²"
        value={coat.loadMgPerCm2}
        problem={problemAt('loadMgPerCm2')}
        onChange={setLoad}
      />
    </div>
  )
}
