import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { JarAnswer, JarReading, Zone } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { queries } from '../../api/queries'
import { Failure } from '../../shared/Message'
import { percent, significant } from '../../shared/numbers'
import { InlineSwatch } from '../../shared/Swatch'
import { useTranslation } from '../../shared/translation'
import type { NameOf } from '../../shared/words'
import { dayWords, deltaE } from '../../shared/words'

/** What the logbook has taught of a jar: how strong it is, how that came, and the readings behind it. */
export function JarLearned({ id, isDust, nameOf }: { id: string; isDust: boolean; nameOf: NameOf }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const jar = useQuery(queries.jar(id))
  const leaveOut = useMutation({
    mutationFn: async (readings: JarReading[]) => {
      for (const reading of readings)
        await answer(
          api.PUT('/api/log-entries/{id}/standing', {
            params: { path: { id: reading.entryId } },
            headers: madeFrom(reading.version),
            body: { isLeftOut: !reading.isLeftOut, isTakenOut: false },
          }),
        )
    },
    // Every colour is predicted with what the logbook has taught.
    onSettled: () => client.invalidateQueries(),
  })
  const { data } = jar
  if (!data) return null
  const used = data.readings.filter((one) => !one.isLeftOut)
  return (
    <section aria-labelledby="learned" className="mt-8">
      <h2 id="learned" className="font-semibold">
        {t('learned.jar.title')}
      </h2>
      {data.count === 0 ? (
        <p className="text-sm">
          {t(data.now.times !== 1 ? 'learned.jar.newLot' : isDust ? 'learned.jar.neverDust' : 'learned.jar.never')}
        </p>
      ) : (
        <>
          <p className="text-sm">
            <span className="font-semibold">{strengthWords(t, data.now.times)}</span>,{' '}
            {t('learned.jar.surely', { low: percent(data.now.low), high: percent(data.now.high) })},{' '}
            {t('learned.jar.count', { count: data.count })}: {t(`learned.sureness.${data.sureness}`)}.{' '}
            {data.lean !== 'none' && t(`learned.jar.${data.lean}`)}
          </p>
          {data.history.length > 1 && <StrengthChart jar={data} />}
        </>
      )}
      {data.readings.length > 0 && (
        <>
          <h3 className="mt-3 text-sm font-semibold">{t('learned.jar.readings')}</h3>
          <ul className="text-sm">
            {data.readings.map((reading) => (
              <li key={reading.entryId} className="border-base-300 flex flex-wrap items-center gap-x-3 border-b py-1">
                <InlineSwatch colour={reading.colour} />
                <time dateTime={reading.at}>{dayWords(reading.at)}</time>
                <span>
                  {reading.gPer100g == null
                    ? t(`zone.${reading.subject as Zone}`)
                    : t('learned.jar.in', { dose: significant(reading.gPer100g, 2) })}
                  ,{' '}
                  {reading.others.length > 0
                    ? t('learned.jar.with', { others: reading.others.map(nameOf).join(', ') })
                    : t('learned.jar.alone')}
                </span>
                <span className="quiet">
                  {t(`readBy.${reading.by}`)}
                  {reading.restedHours != null &&
                    `, ${t('learned.entry.rested', { hours: significant(reading.restedHours, 2) })}`}{' '}
                  · {t('learned.jar.offBy', { deltaE: deltaE(reading.offBy) })}
                  {reading.isLeftOut && ` · ${t('learned.jar.leftOut')}`}
                </span>
                {reading.isOutlier && <strong>{t('learned.jar.outlier')}</strong>}
                <button
                  className="act ml-auto min-h-6 cursor-pointer"
                  disabled={leaveOut.isPending}
                  onClick={() => leaveOut.mutate([reading])}
                >
                  {t(reading.isLeftOut ? 'learned.jar.learnFrom' : 'learned.jar.leaveOut')}
                  <span className="sr-only"> {dayWords(reading.at)}</span>
                </button>
              </li>
            ))}
          </ul>
          {used.length > 1 && (
            <button className="btn btn-sm mt-2" disabled={leaveOut.isPending} onClick={() => leaveOut.mutate(used)}>
              {t('learned.jar.restart')}
            </button>
          )}
          <Failure error={leaveOut.error} nameOf={nameOf} />
        </>
      )}
    </section>
  )
}

/** "12 % stronger than the list" */
function strengthWords(t: ReturnType<typeof useTranslation>['t'], times: number): string {
  const off = Math.round(100 * (times - 1))
  if (off === 0) return t('learned.jar.asListed')
  return t(off > 0 ? 'learned.jar.stronger' : 'learned.jar.weaker', { percent: Math.abs(off) })
}

const size = { width: 520, height: 150, left: 40, bottom: 22, top: 8, right: 12 }

/** Strength over time with its band. */
function StrengthChart({ jar }: { jar: JarAnswer }) {
  const { t } = useTranslation()
  const moments = jar.history.map((one) => ({ ...one, ms: Date.parse(one.at) }))
  const x = scaleLinear([moments[0]!.ms, moments.at(-1)!.ms], [size.left, size.width - size.right])
  const y = scaleLinear(
    [Math.min(0.9, ...moments.map((one) => one.low)), Math.max(1.1, ...moments.map((one) => one.high))],
    [size.height - size.bottom, size.top],
  )
  type Moment = (typeof moments)[number]
  const band = area<Moment>()
    .x((one) => x(one.ms))
    .y0((one) => y(one.low))
    .y1((one) => y(one.high))
  const middle = line<Moment>()
    .x((one) => x(one.ms))
    .y((one) => y(one.times))
  return (
    <svg
      role="img"
      aria-label={t('learned.jar.chart', { now: percent(jar.now.times) })}
      viewBox={`0 0 ${size.width} ${size.height}`}
      className="mt-2 w-full max-w-xl"
    >
      <path d={band(moments) ?? ''} className="fill-base-300" />
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={size.left} x2={size.width - size.right} y1={y(tick)} y2={y(tick)} className="stroke-base-300" />
          <text x={size.left - 6} y={y(tick) + 4} textAnchor="end" fontSize={11} className="fill-current">
            {percent(tick)}
          </text>
        </g>
      ))}
      <line
        x1={size.left}
        x2={size.width - size.right}
        y1={y(1)}
        y2={y(1)}
        strokeDasharray="4 4"
        className="stroke-current"
      />
      <path d={middle(moments) ?? ''} fill="none" strokeWidth={2} className="stroke-primary" />
      {moments.slice(0, -1).map((one) => (
        <circle key={one.at} cx={x(one.ms)} cy={y(one.times)} r={3.5} className="fill-primary" />
      ))}
      <text x={size.left} y={size.height - 6} fontSize={11} className="fill-current">
        {dayWords(moments[0]!.at)}
      </text>
      <text x={size.width - size.right} y={size.height - 6} fontSize={11} textAnchor="end" className="fill-current">
        {dayWords(moments.at(-1)!.at)}
      </text>
    </svg>
  )
}
