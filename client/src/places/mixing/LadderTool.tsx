import { useQuery } from '@tanstack/react-query'
import { scaleLinear, scaleLog } from 'd3-scale'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { DoseLadder, Material } from '../../api/api'
import { queries } from '../../api/queries'
import { Reading, Unreadable } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import { SelectField } from '../../shared/SelectField'
import type { NameOf } from '../../shared/words'
import { deltaE } from '../../shared/words'
import { Chart, Curve } from './Chart'
import type { Table } from './tableState'
import { offered } from '../../shared/cabinet'
import { significant } from '../../shared/numbers'

/** What a colour does to the paste at eight doses: as a strip and as curves of lightness and strength. */
export function LadderTool({ table, materials, nameOf }: { table: Table; materials: Material[]; nameOf: NameOf }) {
  const { t } = useTranslation()
  const colours = offered(materials, 'colourant')
  const [id, setId] = useState(table.mixes[0]?.doses[0]?.colourantId ?? colours[0]?.id ?? '')
  const baseId = table.mixes[0]!.baseId
  const { data, error, refetch } = useQuery({ ...queries.doseLadder(id, baseId), enabled: id !== '' })
  return (
    <div className="space-y-3">
      <SelectField
        label={t('mixing.ladder.colour')}
        value={id}
        options={colours.map((m) => ({ value: m.id, label: m.name }))}
        onChoose={setId}
      />
      {!data && (error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />)}
      {data && <Ladder ladder={data} title={t('mixing.ladder.title', { name: nameOf(id), paste: nameOf(baseId) })} />}
    </div>
  )
}

function Ladder({ ladder, title }: { ladder: DoseLadder; title: string }) {
  const { t } = useTranslation()
  const doses = ladder.rungs.map((rung) => rung.gPer100g)
  return (
    <figure aria-label={title}>
      <figcaption className="text-sm font-semibold">{title}</figcaption>
      <ol className="surround mt-2 grid grid-cols-4 gap-y-2 p-3 text-xs sm:grid-cols-8">
        {ladder.rungs.map((rung) => (
          <li key={rung.gPer100g}>
            <Swatch colour={rung.colour} className="h-14 w-full" />
            {t('unit.g', { value: significant(rung.gPer100g, 2) })}
            <br />
            {t('mixing.ladder.step', { deltaE: deltaE(rung.fromBefore) })}
          </li>
        ))}
      </ol>
      <Chart
        label={t('mixing.ladder.chart')}
        x={scaleLog().domain([doses[0]!, doses.at(-1)!])}
        y={scaleLinear().domain([0, 100])}
        xTicks={doses}
        yTicks={[0, 25, 50, 75, 100]}
        xName={t('mixing.ladder.dose')}
        yName={t('mixing.ladder.value')}
      >
        {(scale) => (
          <>
            <Curve
              scale={scale}
              points={ladder.rungs.map((rung) => [rung.gPer100g, rung.colour.lab.l])}
              name={t('mixing.ladder.lightness')}
            />
            <Curve
              scale={scale}
              dashed
              points={ladder.rungs.map((rung) => [rung.gPer100g, rung.chroma])}
              name={t('mixing.ladder.strength')}
            />
          </>
        )}
      </Chart>
      <p className="quiet mt-1 max-w-prose text-xs">{t('mixing.ladder.help')}</p>
    </figure>
  )
}
