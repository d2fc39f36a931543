import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link } from 'wouter'
import type { CohesionAccent, CohesionPair, FlowerAnswer, PieceView } from '../../api/api'
import { queries } from '../../api/queries'
import { NotThere } from '../../shared/Message'
import { Swatch } from '../../shared/Swatch'
import type { ChangeTargets } from './changeTargets'
import { inSentence } from '../../shared/inSentence'

/** Whether the flower and its leaves, and the whole commission, look as if they belong together. */
export function Together({
  flower,
  piece,
  isSaved,
  onChange,
}: {
  flower: FlowerAnswer
  piece: PieceView
  isSaved: boolean
  onChange: ChangeTargets
}) {
  const { t } = useTranslation()
  const own = useQuery(queries.flowerCohesion(flower.id))
  const all = useQuery(queries.commissionCohesion(flower.commission.id))
  const wasSaved = useRef(isSaved)
  const { refetch: again } = own
  const { refetch: allAgain } = all
  useEffect(() => {
    if (isSaved && !wasSaved.current) {
      void again()
      void allAgain()
    }
    wasSaved.current = isSaved
  }, [isSaved, again, allAgain])
  if (!own.data || !all.data) return <NotThere of={[own, all]} />
  return (
    <div className="space-y-6">
      <p className="max-w-prose px-4 text-sm lg:px-6">{t('together.help')}</p>
      <Pairs
        title={t('together.flower', { flower: flower.name })}
        none={t('together.noLeaves')}
        pairs={own.data}
        piece={piece}
        onChange={onChange}
      />
      <Pairs
        title={t('together.commission', { commission: flower.commission.name })}
        none={t('together.alone')}
        pairs={all.data}
        piece={piece}
        onChange={onChange}
      />
    </div>
  )
}

function Pairs({
  title,
  none,
  pairs,
  piece,
  onChange,
}: {
  title: string
  none: string
  pairs: CohesionPair[]
  piece: PieceView
  onChange: ChangeTargets
}) {
  const { t } = useTranslation()
  return (
    <section aria-label={title}>
      <h2 className="px-4 pb-2 font-semibold lg:px-6">{title}</h2>
      {pairs.length === 0 && <p className="px-4 text-sm lg:px-6">{none}</p>}
      <ul>
        {pairs.map((pair) => (
          <li
            key={`${pair.one} ${pair.other}`}
            className="border-base-300 grid border-t md:grid-cols-[20rem_minmax(0,1fr)]"
          >
            <div className="surround flex items-center gap-3 p-4 text-xs">
              <Swatch
                colour={pair.echo.colour}
                label={`${pair.echo.piece}, ${t(`zone.${pair.echo.zone}`)}`}
                className="h-14 w-20"
              />
              <Swatch
                colour={pair.echoIn.colour}
                label={`${pair.echoIn.piece}, ${t(`zone.${pair.echoIn.zone}`)}`}
                className="-ml-3 h-14 w-20"
              />
              <span>
                {pair.echo.piece}, {inSentence(t(`zone.${pair.echo.zone}`))}
                <br />
                {pair.echoIn.piece}, {inSentence(t(`zone.${pair.echoIn.zone}`))}
              </span>
            </div>
            <div className="px-4 py-3 text-sm lg:px-6">
              <p>
                <span className="font-semibold">
                  {t('together.pair', { one: pair.one, other: pair.otherIsLeaves ? t('together.leaves') : pair.other })}
                </span>{' '}
                {t(pair.isTied ? 'together.tied' : 'together.apart')}
              </p>
              {!pair.isTied && pair.accents.length === 0 && <p>{t('together.noAccent')}</p>}
              <ul className="space-y-2 pt-1">
                {pair.accents.map((accent) => (
                  <Accent
                    key={`${accent.spot.pieceId} ${accent.spot.zone}`}
                    accent={accent}
                    piece={piece}
                    onChange={onChange}
                  />
                ))}
              </ul>
            </div>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Accent({ accent, piece, onChange }: { accent: CohesionAccent; piece: PieceView; onChange: ChangeTargets }) {
  const { t } = useTranslation()
  const { spot, of } = accent
  return (
    <li className="flex flex-wrap items-center gap-3">
      <span className="surround inline-flex p-2">
        <Swatch colour={spot.colour} label={t('together.now')} className="h-8 w-12" />
        <Swatch colour={accent.then} label={t('together.then')} className="h-8 w-12" />
      </span>
      <span>
        {t('together.accent', {
          piece: `${spot.flower}, ${inSentence(spot.piece)}`,
          zone: inSentence(t(`zone.${spot.zone}`)),
          of: `${of.flower}, ${inSentence(of.piece)}`,
        })}
      </span>
      {spot.pieceId === piece.id ? (
        <button className="btn btn-sm" onClick={() => onChange({ [spot.zone]: { colour: accent.then.lab } })}>
          {t('together.use')}
        </button>
      ) : (
        <Link className="act" to={`/flowers/${spot.flowerId}/targets?piece=${spot.pieceId}&from=together`}>
          {t('together.open', { piece: spot.piece })}
        </Link>
      )}
    </li>
  )
}
