import { useQuery } from '@tanstack/react-query'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useParams, useSearchParams } from 'wouter'
import type { FlowerAnswer, Zone } from '../../api/api'
import { zones } from '../../api/api'
import { queries } from '../../api/queries'
import { Choice } from '../../shared/Choice'
import { FrameState } from '../../shared/FrameState'
import { Reading, Unreadable } from '../../shared/Message'
import { setTarget } from '../flower/planEdits'
import type { PlanSession, Session } from '../../core/PlanSession'
import { SaveBanner } from '../flower/SaveBanner'
import { SaveWords } from '../flower/SaveWords'
import { UndoButtons } from '../flower/UndoButtons'
import { usePlanSession } from '../flower/usePlanSession'
import type { ChangeTargets } from './changeTargets'
import { ByEye } from './ByEye'
import { FromPicture } from './FromPicture'
import { FromLibrary } from './FromLibrary'
import { Together } from './Together'
import { ZoneList } from './ZoneList'
import { PageTitle } from '../../shared/PageTitle'

const sources = ['picture', 'library', 'eye', 'together'] as const

type Source = (typeof sources)[number]

/** What a flower should look like, zone by zone: from pictures, from our library, by eye, and all of it together. */
export function TargetsPage() {
  const { flowerId = '' } = useParams()
  const { data, error, refetch } = useQuery(queries.flower(flowerId))
  const [asked, setAsked] = useSearchParams()
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const piece =
    data.pieces.find((one) => one.id === asked.get('piece')) ??
    data.pieces.find((one) => one.partOf === 'flower') ??
    data.pieces[0]
  if (!piece) return <NoPiece flower={data} />
  return (
    <Targets
      flower={data}
      pieceId={piece.id}
      onPiece={(id) => setAsked((was) => ({ ...Object.fromEntries(was), piece: id }), { replace: true })}
      source={sources.find((one) => one === asked.get('from')) ?? 'picture'}
      onSource={(from) => setAsked((was) => ({ ...Object.fromEntries(was), from }), { replace: true })}
    />
  )
}

/** Colours need something to lie on. */
function NoPiece({ flower }: { flower: FlowerAnswer }) {
  const { t } = useTranslation()
  return (
    <main className="p-6">
      <PageTitle className="text-2xl" title={t('targets.title', { flower: flower.name })} />
      <p className="mt-2 max-w-prose">{t('make.noPieces')}</p>
      <Link className="btn btn-sm btn-primary mt-3" to={`/flowers/${flower.id}/new-piece`}>
        {t('make.addPiece')}
      </Link>
    </main>
  )
}

function Targets({
  flower,
  pieceId,
  source,
  onPiece,
  onSource,
}: {
  flower: FlowerAnswer
  pieceId: string
  source: Source
  onPiece: (id: string) => void
  onSource: (source: Source) => void
}) {
  const { t } = useTranslation()
  const { session, state, error, retry } = usePlanSession(pieceId)
  const [zone, setZone] = useState<Zone>('rim')
  return (
    <main className="grid w-full grid-cols-[minmax(0,1fr)] lg:grid-cols-[19rem_minmax(0,1fr)]">
      <FrameState>{state && <SaveWords save={state.save} />}</FrameState>
      <aside className="border-base-300 lg:sticky lg:top-0 lg:max-h-dvh lg:self-start lg:overflow-y-auto lg:border-r">
        <div className="px-4 pt-4 pb-3">
          <p className="text-xs">
            <Link className="act" to={`/flowers/${flower.id}/${pieceId}`}>
              {t('targets.back')}
            </Link>
          </p>
          <div className="flex items-start justify-between gap-2">
            <PageTitle className="min-w-0 text-2xl" title={t('targets.title', { flower: flower.name })} />
            {state && session && <UndoButtons session={session} state={state} />}
          </div>
        </div>
        <div className="px-4 pb-3">
          <Choice
            legend={t('targets.piece')}
            options={flower.pieces.map((piece) => ({ value: piece.id, label: piece.name }))}
            chosen={pieceId}
            onChoose={onPiece}
          />
        </div>
        {/* About as high as the list of zones, which comes a moment later. */}
        <div className="min-h-100">
          {state?.preview && session && (
            <ZoneList plan={state.plan} preview={state.preview} zone={zone} onZone={setZone} onChange={edit(session)} />
          )}
        </div>
        <ul className="flex flex-wrap gap-x-4 px-4 pb-4 text-sm">
          {(['gpl', 'svg'] as const).map((format) => (
            <li key={format}>
              <a
                className="act inline-flex min-h-6 items-center gap-1"
                href={`/api/flowers/${flower.id}/palette.${format}`}
                download
              >
                <Download size={16} aria-hidden />
                {t(`targets.palette.${format}`)}
              </a>
            </li>
          ))}
        </ul>
      </aside>
      <div className="min-w-0 pb-10">
        <div className="px-4 pt-4 pb-3 lg:px-6">
          <Choice
            legend={t('targets.from')}
            options={sources.map((value) => ({ value, label: t(`targets.source.${value}`) }))}
            chosen={source}
            onChoose={onSource}
          />
        </div>
        {error ? (
          <Unreadable error={error} retry={retry} />
        ) : session && state?.preview ? (
          <>
            <SaveBanner session={session} state={state} />
            <SourceOf
              key={pieceId}
              source={source}
              flower={flower}
              state={state}
              zone={zone}
              onZone={setZone}
              onChange={edit(session)}
            />
          </>
        ) : (
          <Reading />
        )}
      </div>
    </main>
  )
}

const edit =
  (session: PlanSession): ChangeTargets =>
  (changes) =>
    session.edit((plan) =>
      zones.reduce((was, zone) => (changes[zone] ? setTarget(was, zone, changes[zone]) : was), plan),
    )

function SourceOf({
  source,
  flower,
  state,
  zone,
  onZone,
  onChange,
}: {
  source: Source
  flower: FlowerAnswer
  state: Session
  zone: Zone
  onZone: (zone: Zone) => void
  onChange: ChangeTargets
}) {
  const { piece, plan } = state
  switch (source) {
    case 'picture':
      return <FromPicture flower={flower} piece={piece} zone={zone} onZone={onZone} onChange={onChange} />
    case 'library':
      return <FromLibrary piece={piece} zone={zone} onChange={onChange} />
    case 'eye':
      return <ByEye zone={zone} target={plan.targets[zone]!} onChange={onChange} />
    case 'together':
      return <Together flower={flower} piece={piece} isSaved={state.save.kind === 'saved'} onChange={onChange} />
  }
}
