import { useQueries, useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { useParams } from 'wouter'
import type { Material, PieceView, Plan, Preview } from '../../api/api'
import { answer, api, zones } from '../../api/api'
import { queries } from '../../api/queries'
import { FieldPicture } from '../../shared/FieldPicture'
import { NotThere } from '../../shared/Message'
import { SheetHead } from '../../shared/SheetHead'
import { Swatch } from '../../shared/Swatch'
import type { NameOf } from '../../shared/words'
import { sourceWords } from '../flower/sourceWords'
import { foodWords, dayWords, differenceWords, dose, nameFinder, zoneName } from '../../shared/words'
import { coatDetail, coatName } from '../flower/coatWords'

/** All pieces of a flower with their zones, paste and coats, to hang over the bench. */
export function SwatchCardPage() {
  const { flowerId = '' } = useParams()
  const { t } = useTranslation()
  const flower = useQuery(queries.flower(flowerId))
  const materials = useQuery(queries.materials())
  const looks = useQueries({ queries: (flower.data?.pieces ?? []).map(lookOf) })
  if (!flower.data || !materials.data || looks.some((look) => !look.data))
    return <NotThere of={[flower, materials, ...looks]} />
  return (
    <main className="mx-auto w-full max-w-4xl p-4 lg:p-6 print:max-w-none print:p-0">
      <SheetHead
        back={{ to: `/flowers/${flowerId}`, label: flower.data.name }}
        title={t('card.title', { flower: flower.data.name })}
        aside={`${flower.data.commission.name}, ${t('runSheet.due', { date: dayWords(flower.data.commission.dueOn) })}`}
      />
      {flower.data.pieces.map((piece, i) => (
        <PieceCard key={piece.id} piece={piece} look={looks[i]!.data!} materials={materials.data} />
      ))}
      <p className="mt-3 text-sm">{foodWords(t, flower.data.food, nameFinder(materials.data))}</p>
      <p className="quiet mt-3 text-sm">{t('card.note')}</p>
    </main>
  )
}

interface PieceLook {
  plan: Plan
  preview: Preview
}

const lookOf = (piece: PieceView) => ({
  queryKey: ['card', piece.id, piece.version],
  queryFn: async ({ signal }: { signal: AbortSignal }): Promise<PieceLook> => {
    const path = { id: piece.id }
    const { plan } = await answer(api.GET('/api/pieces/{id}', { params: { path }, signal }))
    return {
      plan,
      preview: await answer(api.POST('/api/pieces/{id}/preview', { params: { path }, body: plan, signal })),
    }
  },
})

function PieceCard({ piece, look, materials }: { piece: PieceView; look: PieceLook; materials: Material[] }) {
  const { t } = useTranslation()
  const nameOf: NameOf = nameFinder(materials)
  const { plan, preview } = look
  return (
    <section className="border-base-300 flex break-inside-avoid flex-col gap-4 border-t py-3 sm:flex-row">
      <div className="surround flex w-32 items-center justify-center self-start p-3">
        <FieldPicture
          field={preview.face}
          piece={piece}
          heightPx={Math.min(120, Math.round((100 * piece.lengthMm) / piece.widthMm))}
          label={t('sides.picture', { piece: piece.name, side: t('sides.face'), colour: '' })}
        />
      </div>
      <div className="min-w-0 grow">
        <h2 className="name text-lg">{piece.name}</h2>
        <p className="quiet text-sm">
          {t('card.count', { count: piece.toMake })} · {piece.lengthMm} × {piece.widthMm} mm
        </p>
        <ul className="mt-2 flex flex-wrap gap-3">
          {zones.map((zone) => {
            const view = preview.zones.find((one) => one.zone === zone)
            const finished = view?.colours.at(-1)
            return (
              view &&
              finished && (
                <li key={zone} className="text-xs">
                  <span className="surround flex p-1.5">
                    <Swatch colour={finished} className="h-9 w-10" label={zoneName(t, zone, piece.build)} />
                    <Swatch colour={view.target} className="h-9 w-5" label={t('buildUp.target')} />
                  </span>
                  <span className="block font-semibold">{zoneName(t, zone, piece.build)}</span>
                  {finished.hex} · {differenceWords(t, view.difference)}
                </li>
              )
            )
          })}
        </ul>
        <ol className="mt-2 list-decimal pl-5 text-sm">
          <li>
            {preview.source.kind === 'own'
              ? [
                  nameOf(plan.paste.baseId),
                  ...preview.batch.colours.map((one) => `${nameOf(one.colourantId)} ${dose(t, one)}`),
                ].join(', ')
              : sourceWords(t, preview.source)}
          </li>
          {plan.coats.map((coat) => {
            const view = preview.coats.find((one) => one.id === coat.id)
            return (
              <li key={coat.id}>
                {coatName(t, coat, view, nameOf)}: {coatDetail(t, coat, view)}
              </li>
            )
          })}
        </ol>
      </div>
    </section>
  )
}
