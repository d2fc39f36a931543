import { scaleLinear } from 'd3-scale'
import { useTranslation } from '../../shared/translation'
import type { Look } from '../../api/api'
import { Chart, Curve } from './Chart'

const startNm = 380
const stepNm = 10

/** How much of each wavelength the mix and the target send back, for the curious. */
export function SpectrumTool({ look }: { look: Look }) {
  const { t } = useTranslation()
  const points = (values: number[]) => values.map((value, i): [number, number] => [startNm + i * stepNm, 100 * value])
  return (
    <figure aria-label={t('mixing.spectrum.title')}>
      <figcaption className="text-sm font-semibold">{t('mixing.spectrum.title')}</figcaption>
      <Chart
        label={t('mixing.spectrum.chart')}
        x={scaleLinear().domain([startNm, 730])}
        y={scaleLinear().domain([0, 100])}
        xTicks={[400, 450, 500, 550, 600, 650, 700]}
        yTicks={[0, 25, 50, 75, 100]}
        xName={t('mixing.spectrum.wavelength')}
        yName={t('mixing.spectrum.reflected')}
      >
        {(scale) => (
          <>
            <Curve scale={scale} points={points(look.reflectance)} name={t('mixing.spectrum.mix')} />
            <Curve scale={scale} points={points(look.targetReflectance)} name={t('mixing.spectrum.target')} dashed />
          </>
        )}
      </Chart>
      <p className="quiet mt-1 max-w-prose text-xs">{t('mixing.spectrum.help')}</p>
    </figure>
  )
}
