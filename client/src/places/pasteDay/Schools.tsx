import { Check } from 'lucide-react'
import { useTranslation } from '../../shared/translation'
import type { OmbrePlan, OmbreView, OmbreWay } from '../../api/api'
import { Swatch } from '../../shared/Swatch'
import { deltaE, scale } from '../../shared/words'
import { fixed } from '../../shared/numbers'
import { inSentence } from '../../shared/inSentence'

/** The three schools side by side, as a hand would really make the shades. */
export function Schools({
  view,
  chosen,
  onChoose,
}: {
  view: OmbreView
  chosen: OmbrePlan['school']
  onChoose: (school: OmbrePlan['school']) => void
}) {
  const { t } = useTranslation()
  return (
    <section aria-labelledby="schools" className="px-4 py-4 lg:px-6 print:hidden">
      <h2 id="schools" className="name text-xl">
        {t('ombre.schools')}
      </h2>
      <div className="mt-2 grid gap-6 lg:grid-cols-3">
        {view.ways.map((way) => (
          <article key={way.school} aria-label={t(`ombre.school.${way.school}.name`)}>
            <div className="flex min-h-8 items-center gap-2">
              <h3 className="font-semibold">{t(`ombre.school.${way.school}.name`)}</h3>
              {way.school === chosen ? (
                <span className="flex items-center gap-1 text-sm font-semibold">
                  <Check size={16} aria-hidden />
                  {t('ombre.chosen')}
                </span>
              ) : (
                <button className="btn btn-sm" onClick={() => onChoose(way.school)}>
                  {t('ombre.choose', { school: inSentence(t(`ombre.school.${way.school}.name`)) })}
                </button>
              )}
            </div>
            <p className="quiet text-sm">{t(`ombre.school.${way.school}.how`)}</p>
            <div className="surround mt-2 flex p-3">
              {way.shades.map((shade, i) => (
                <Swatch
                  key={i}
                  colour={shade.colour}
                  label={t('ombre.asMade', { number: i + 1 })}
                  className="h-12 flex-1"
                />
              ))}
            </div>
            <Figures way={way} />
          </article>
        ))}
      </div>
    </section>
  )
}

function Figures({ way }: { way: OmbreWay }) {
  const { t } = useTranslation()
  const carries = (of: (shade: OmbreWay['shades'][number]) => number) =>
    way.shades.map((s) => deltaE(of(s))).join(' · ')
  const rows: [string, string][] = [
    ['total', scale(t, way.totalG)],
    ['leftOver', scale(t, way.leftOverG)],
    ['kneadings', String(way.kneadings)],
    ['weighings', String(way.weighings)],
    ['unevenness', fixed(way.unevenness, 2)],
    ['touch', carries((shade) => shade.touch)],
    ['gram', carries((shade) => shade.gram)],
  ]
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-sm">
      {rows.map(([row, value]) => (
        <div key={row} className="contents">
          <dt className="quiet">{t(`ombre.figure.${row}`)}</dt>
          <dd className="text-right font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  )
}
