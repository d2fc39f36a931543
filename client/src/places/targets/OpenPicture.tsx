import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type {
  Box,
  Division,
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
import { RequestFailed } from '../../core/RequestFailed'
import { Choice } from '../../shared/Choice'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure } from '../../shared/Message'
import type { Spot } from '../../shared/PictureBoard'
import { PictureBoard } from '../../shared/PictureBoard'
import { PictureDoubts } from '../../shared/PictureDoubts'
import { Swatch } from '../../shared/Swatch'
import { hasFields } from '../../core/Kept'
import { useKept } from '../../shared/useKept'
import { colourName } from '../../shared/words'
import type { ChangeTargets } from './changeTargets'
import { fixed, rounded } from '../../shared/numbers'

const mark = 'mark'
const meantSpot = 'meant'
const middle: Box = { left: 0.475, top: 0.475, width: 0.05, height: 0.05 }

interface Kept {
  marks: PictureMarks
  version: number
}

const isKept = (value: unknown): value is Kept => hasFields(value, 'marks', 'version')

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
  // Kept here until it is saved: places that were set without a connection are not lost.
  const kept = useKept<Kept>(`picture-marks/${picture.id}`, { marks: picture.marks, version: picture.version }, isKept)
  const { marks } = kept.value
  // Several changes may be on their way; each is made from the version that the one before came to.
  const version = useRef(kept.value.version)
  const [isMarking, setMarking] = useState(false)
  // Several flowers, or no plain ground: it is asked which one is meant. By key the spot is moved and confirmed.
  const [isAsking, setAsking] = useState(false)
  const [pointed, setPointed] = useState<Box>(middle)
  // Chosen but not marked yet: until then the light is still estimated.
  const [neutral, setNeutral] = useState<NeutralKind | null>(picture.marks.light.mark ? picture.marks.light.kind : null)
  const save = useMutation({
    mutationFn: (next: PictureMarks) =>
      answer(
        api.PUT('/api/pictures/{id}/marks', {
          params: { path: { id: picture.id } },
          body: { marks: next, version: version.current },
        }),
      ),
    onSuccess: (saved, sent) => {
      version.current = saved.version
      if (latest.current === sent) kept.drop({ marks: sent, version: saved.version })
      onSaved()
    },
    onError: (error) => {
      if (!(error instanceof RequestFailed) || error.code !== 'changedElsewhere') return
      kept.drop(kept.value)
      onConflict()
    },
    retry: (_, error) => error instanceof RequestFailed && error.isPassing,
    retryDelay: (times) => Math.min(10_000, 1000 * 2 ** times),
    networkMode: 'always',
    // One after the other.
    scope: { id: picture.id },
  })
  const latest = useRef<PictureMarks | null>(null)
  const change = (next: PictureMarks) => {
    latest.current = next
    kept.set({ marks: next, version: version.current })
    save.mutate(next)
  }
  const { mutate } = save
  const left = useRef(kept.isChanged ? kept.value.marks : null)
  useEffect(() => {
    // What a page before this one could not save any more.
    if (!left.current) return
    latest.current = left.current
    mutate(left.current)
    left.current = null
  }, [mutate])
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
          <p>{t(isMarking ? 'pictures.nowMark' : 'pictures.nowZone', { zone: t(`zone.${zone}`).toLowerCase() })}</p>
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
        {divide.data && !divide.data.asksWhich && <Parts division={divide.data} />}
        <ul className="space-y-2" aria-label={t('pictures.samples')}>
          {zones.map((one) => {
            const patch = patchOf(one)
            if (!patch) return null
            const isUnsure = mine.find((sample) => sample.zone === one)?.isUnsure
            return (
              <li key={one} className="border-base-300 border-t pt-2">
                <div className="flex items-center gap-3">
                  <span className="surround p-2">
                    <Swatch colour={patch.colour} label={t(`zone.${one}`)} className="block h-9 w-14" />
                  </span>
                  <span className="min-w-0 grow">
                    <span className="font-semibold">{t(`zone.${one}`)}</span>
                    <span className="block text-xs">{colourName(t, patch.colour)}</span>
                    <span className="quiet block text-xs">
                      {t('pictures.spread', { spread: fixed(patch.spread, 1) })}
                    </span>
                  </span>
                  <button
                    className="btn btn-sm"
                    aria-label={t('pictures.useFor', { zone: t(`zone.${one}`).toLowerCase() })}
                    onClick={() => {
                      use([one])
                      looked([one])
                    }}
                  >
                    {t('pictures.use')}
                  </button>
                </div>
                <PictureDoubts light={[]} patches={[patch]} />
                {isUnsure && (
                  <p className="quiet flex flex-wrap items-center gap-x-2 text-xs">
                    {t('pictures.unsure')}
                    <button
                      className="act min-h-6"
                      aria-label={t('pictures.liesRightOf', { zone: t(`zone.${one}`).toLowerCase() })}
                      onClick={() => looked([one])}
                    >
                      {t('pictures.liesRight')}
                    </button>
                  </p>
                )}
              </li>
            )
          })}
        </ul>
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
        <Failure error={read.error ?? divide.error ?? save.error} nameOf={(id) => id} />
        <ConfirmButton label={t('pictures.remove')} onYes={onRemove} />
      </div>
    </div>
  )
}

/** The few main colours of the flower, most of it first. */
function Parts({ division }: { division: Division }) {
  const { t } = useTranslation()
  if (division.parts.length === 0) return <p role="status">{t('pictures.nothing')}</p>
  return (
    <figure className="surround p-3 text-xs">
      <div className="flex">
        {division.parts.map((part, i) => (
          <span key={i} className="flex min-w-6" style={{ flexGrow: part.share }}>
            <Swatch colour={part.colour} className="h-8 w-full" />
          </span>
        ))}
      </div>
      <figcaption className="pt-1">
        <span role="status">{t('pictures.parts', { count: division.parts.length })}</span>
      </figcaption>
    </figure>
  )
}
