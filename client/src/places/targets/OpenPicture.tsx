import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type {
  Box,
  FlowerAnswer,
  MeantFlower,
  NeutralKind,
  Patch,
  Picture,
  PictureMarks,
  PieceView,
  Zone,
} from '../../api/api'
import { answer, api, zones } from '../../api/api'
import { Choice } from '../../shared/Choice'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure } from '../../shared/Message'
import type { Spot } from '../../shared/PictureBoard'
import { PictureBoard } from '../../shared/PictureBoard'
import { PictureDoubts } from '../../shared/PictureDoubts'
import { Swatch } from '../../shared/Swatch'
import type { ChangeTargets } from './changeTargets'
import { DivisionParts } from './DivisionParts'
import { SampledZones } from './SampledZones'
import { usePictureMarks } from './usePictureMarks'
import { rounded } from '../../shared/numbers'
import { inSentence } from '../../shared/inSentence'

const mark = 'mark'
const meantSpot = 'meant'
const middle: Box = { left: 0.475, top: 0.475, width: 0.05, height: 0.05 }

const lights = ['asIs', 'estimate', 'whiteCard', 'greyCard', 'somethingGrey'] as const
const shown = ['bloom', 'piece'] as const

/** One picture: its light, the places where the piece's zones are sampled, and what is read there. */
export function OpenPicture({
  picture,
  flower,
  piece,
  zone,
  onZone,
  onChange,
  onSaved,
  onConflict,
  onRemove,
}: {
  picture: Picture
  flower: FlowerAnswer
  piece: PieceView
  zone: Zone
  onZone: (zone: Zone) => void
  onChange: ChangeTargets
  onSaved: () => void
  /** Someone else has moved something in this picture; what is here is old. */
  onConflict: () => void
  onRemove: () => void
}) {
  const { t } = useTranslation()
  const { marks, change, failure } = usePictureMarks(picture, onSaved, onConflict)
  const [isMarking, setMarking] = useState(false)
  // Several flowers, or no plain ground: it is asked which one is meant. By key the spot is moved and confirmed.
  const [isAsking, setAsking] = useState(false)
  const [pointed, setPointed] = useState<Box>(middle)
  // Chosen but not marked yet: until then the light is still estimated.
  const [neutral, setNeutral] = useState<NeutralKind | null>(picture.marks.light.mark ? picture.marks.light.kind : null)
  const mine = marks.samples.filter((sample) => sample.pieceId === piece.id)
  const read = useQuery({
    queryKey: ['read-picture', picture.id, marks.light, mine.map((sample) => sample.box)],
    queryFn: ({ signal }) =>
      answer(
        api.POST('/api/pictures/{id}/read', {
          params: { path: { id: picture.id } },
          body: { light: marks.light, boxes: mine.map((sample) => sample.box) },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
  })
  const divide = useMutation({
    mutationFn: (meant: MeantFlower | null) =>
      answer(
        api.POST('/api/pictures/{id}/divide', {
          params: { path: { id: picture.id } },
          body: { light: marks.light, seenAs: marks.seenAs, meant },
        }),
      ),
    onSuccess: (division) => {
      setAsking(division.asksWhich)
      // Where nothing stands out, what was placed by hand stays.
      if (division.zones.length === 0) return
      change({
        ...marks,
        samples: [
          ...marks.samples.filter((sample) => sample.pieceId !== piece.id),
          ...division.zones.map((one) => ({ pieceId: piece.id, zone: one.zone, box: one.box, isUnsure: !one.isSure })),
        ],
      })
    },
  })
  const tap = (box: Box) =>
    divide.mutate({ tap: { x: box.left + box.width / 2, y: box.top + box.height / 2 }, loop: [] })

  /** What was read for a zone, if the reading is of the place where it is now. */
  const patchOf = (zone: Zone): Patch | undefined =>
    read.isPlaceholderData ? undefined : read.data?.patches[mine.findIndex((sample) => sample.zone === zone)]
  const place = (id: string, box: Box) => {
    if (id === mark) {
      setMarking(false)
      change({ ...marks, light: { mark: box, kind: neutral ?? 'whiteCard', asIs: false } })
      return
    }
    if (id === meantSpot) {
      setPointed(box)
      return
    }
    onZone(id as Zone)
    const rest = marks.samples.filter((sample) => !(sample.pieceId === piece.id && sample.zone === id))
    change({ ...marks, samples: [...rest, { pieceId: piece.id, zone: id as Zone, box, isUnsure: false }] })
  }
  const spots: Spot[] = [
    { id: mark, label: t('pictures.mark'), box: marks.light.mark, isLoose: true },
    ...zones.map((one) => ({
      id: one,
      label: t(`zone.${one}`),
      box: mine.find((sample) => sample.zone === one)?.box ?? null,
    })),
    ...(isAsking ? [{ id: meantSpot, label: t('pictures.meant'), box: pointed, isLoose: true }] : []),
  ]
  const looked = (sampled: Zone[]) =>
    marks.samples.some((sample) => sample.pieceId === piece.id && sampled.includes(sample.zone) && sample.isUnsure) &&
    change({
      ...marks,
      samples: marks.samples.map((sample) =>
        sample.pieceId === piece.id && sampled.includes(sample.zone) ? { ...sample, isUnsure: false } : sample,
      ),
    })
  const isSure = ({ zone: of, isUnsure }: PictureMarks['samples'][number]) =>
    !isUnsure && patchOf(of) !== undefined && patchOf(of)!.doubts.length === 0
  const sure = mine.filter(isSure).map((sample) => sample.zone)
  const use = (sampled: Zone[]) =>
    onChange(
      Object.fromEntries(
        sampled.flatMap((one) => {
          const patch = patchOf(one)
          return patch ? [[one, { colour: patch.colour.lab }]] : []
        }),
      ),
    )

  return (
    <div className="grid gap-4 xl:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="surround p-4">
        <PictureBoard
          src={`/api/pictures/${picture.id}/image`}
          alt={picture.name || t('pictures.alt', { flower: flower.name })}
          spots={spots}
          chosenId={isAsking ? meantSpot : isMarking ? mark : zone}
          onChoose={(id) => {
            if (id === meantSpot) return
            setAsking(false)
            setMarking(id === mark)
            if (id !== mark) onZone(id as Zone)
          }}
          onMove={place}
          onTap={isAsking ? tap : undefined}
          onLoop={isAsking ? (loop) => divide.mutate({ tap: null, loop }) : undefined}
        />
      </div>
      <div className="space-y-4 px-4 text-sm lg:px-6 xl:pl-0">
        {isAsking ? (
          <div role="alert" className="border-primary border-l-4 pl-3">
            <p className="font-semibold">{t('pictures.which')}</p>
            <p>{t('pictures.whichHelp')}</p>
            <p className="mt-1 flex flex-wrap gap-2">
              <button className="btn btn-sm" disabled={divide.isPending} onClick={() => tap(pointed)}>
                {t('pictures.thisOne')}
              </button>
              <button className="btn btn-sm" onClick={() => setAsking(false)}>
                {t('pictures.byHand')}
              </button>
            </p>
          </div>
        ) : (
          <p>{t(isMarking ? 'pictures.nowMark' : 'pictures.nowZone', { zone: inSentence(t(`zone.${zone}`)) })}</p>
        )}
        <div>
          <Choice
            legend={t('pictures.light')}
            options={lights.map((value) => ({ value, label: t(`pictures.lightFrom.${value}`) }))}
            chosen={neutral ?? (marks.light.asIs ? 'asIs' : 'estimate')}
            onChoose={(chosen) => {
              if (chosen === 'estimate' || chosen === 'asIs') {
                setNeutral(null)
                setMarking(false)
                change({ ...marks, light: { mark: null, kind: 'somethingGrey', asIs: chosen === 'asIs' } })
              } else {
                setNeutral(chosen)
                setMarking(marks.light.mark === null)
                if (marks.light.mark) change({ ...marks, light: { ...marks.light, kind: chosen } })
              }
            }}
          />
          {read.data && (
            <p className="surround mt-2 flex items-center gap-2 p-2 text-xs">
              <Swatch colour={read.data.lightColour} label={t('pictures.lightColour')} className="h-6 w-10" />
              <span>
                {t(marks.light.asIs ? 'pictures.asIs' : read.data.hasCast ? 'pictures.cast' : 'pictures.noCast')}{' '}
                {read.data.unsureDeltaE !== null &&
                  t('pictures.unsureLight', { deltaE: rounded(read.data.unsureDeltaE, 0) })}
              </span>
            </p>
          )}
          {read.data && <PictureDoubts light={read.data.doubts} patches={[]} />}
        </div>
        <div className="flex flex-wrap items-end gap-3">
          <Choice
            legend={t('pictures.seenAs')}
            options={shown.map((value) => ({ value, label: t(`pictures.seen.${value}`) }))}
            chosen={marks.seenAs}
            onChoose={(seenAs) => change({ ...marks, seenAs })}
          />
          <button className="btn btn-sm" disabled={divide.isPending} onClick={() => divide.mutate(null)}>
            {t('pictures.suggest')}
          </button>
        </div>
        {divide.data && !divide.data.asksWhich && <DivisionParts division={divide.data} />}
        <SampledZones
          samples={mine}
          patchOf={patchOf}
          onLooked={looked}
          onUse={(one) => {
            use([one])
            looked([one])
          }}
        />
        {mine.length > 0 && (
          <div>
            <button
              className="btn btn-primary btn-sm"
              disabled={read.isPlaceholderData || sure.length === 0}
              onClick={() => use(sure)}
            >
              {t('pictures.useAll', { piece: piece.name })}
            </button>
            {!read.isPlaceholderData && sure.length < mine.length && (
              <p className="quiet mt-1 text-xs">{t('pictures.wait', { count: mine.length - sure.length })}</p>
            )}
          </div>
        )}
        <Failure error={read.error ?? divide.error ?? failure} nameOf={(id) => id} />
        <ConfirmButton label={t('pictures.remove')} onYes={onRemove} />
      </div>
    </div>
  )
}
