import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link, useLocation, useParams } from 'wouter'
import type { CommissionDetails, CommissionView } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { isClash } from '../../core/RequestFailed'
import { aside, queries } from '../../api/queries'
import { ClashChoice } from '../../shared/ClashChoice'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure, Reading, Unreadable, WholeFailure } from '../../shared/Message'
import { NothingHere } from '../../shared/NothingHere'
import { PageTitle } from '../../shared/PageTitle'
import { hasFields } from '../../core/Kept'
import { useKept } from '../../shared/useKept'
import { useProblems } from '../../shared/useProblems'
import { dueWords } from '../../shared/words'
import { BeginBy } from './BeginBy'
import { CommissionFields } from './CommissionFields'
import { CopyForm } from '../../shared/CopyForm'
import { GuestAddress } from './GuestAddress'

/** In a fortnight, as the browser's calendar has it. */
function inAFortnight(): string {
  const day = new Date(Date.now() + 14 * 24 * 3600 * 1000)
  return [day.getFullYear(), day.getMonth() + 1, day.getDate()].map((part) => String(part).padStart(2, '0')).join('-')
}

const blank = (): CommissionDetails => ({
  name: '',
  dueOn: inAFortnight(),
  place: '',
  roomHumidityPercent: null,
  roomCelsius: null,
  light: 'daylight',
  marginDays: 1,
  clientNote: '',
  ownNote: '',
  diets: [],
  status: 'planned',
})

const isDetails = (value: unknown): value is CommissionDetails => hasFields(value, 'name', 'dueOn', 'diets', 'status')

/** A commission, to be made or changed. */
export function CommissionPage() {
  const { commissionId } = useParams()
  const { data, error, refetch } = useQuery(queries.commissions())
  if (!commissionId) return <Open key="new" kept={null} hasBegun={false} />
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  const entry = data.commissions.find((one) => one.commission.id === commissionId)
  if (!entry) return <NothingHere />
  const { commission: kept, progress } = entry
  return <Open key={`${kept.id} ${kept.version}`} kept={kept} hasBegun={progress.done > 0} />
}

function Open({ kept, hasBegun }: { kept: CommissionView | null; hasBegun: boolean }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [, go] = useLocation()
  const draft = useKept<CommissionDetails>(
    `commission/${kept?.id ?? 'new'}`,
    kept ? detailsOf(kept) : blank(),
    isDetails,
  )
  const readAgain = () => client.invalidateQueries()
  const save = useMutation({
    mutationFn: async ({ details, version }: { details: CommissionDetails; version: number }) =>
      kept
        ? answer(
            api.PUT('/api/commissions/{id}', {
              params: { path: { id: kept.id } },
              headers: madeFrom(version),
              body: details,
            }),
          ).then(() => kept.id)
        : answer(api.POST('/api/commissions', { body: details })).then(({ id }) => id),
    onSuccess: async (id, { details }) => {
      draft.drop(kept ? details : blank())
      await readAgain()
      // A new one goes on to its first flower.
      if (!kept) void go(`/commissions/${id}/new-flower`)
    },
  })
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/commissions/{id}', { params: { path: { id: kept!.id } } })),
    onSuccess: async () => {
      await readAgain()
      void go('/bin')
    },
  })
  const problemAt = useProblems([save.error])
  const title = kept ? kept.name : t('commission.new')
  const theirs = async (reading = queries.commissions()) =>
    (await client.fetchQuery({ ...reading, staleTime: 0 })).commissions.find(
      (entry) => entry.commission.id === kept?.id,
    )?.commission
  return (
    <main className="w-full px-4 pt-5 pb-10 lg:px-6">
      <p className="text-xs">
        <Link className="act" to="/commissions">
          {t('commission.title')}
        </Link>
      </p>
      <PageTitle title={title} />
      {kept && (
        <p className="text-sm">
          {dueWords(t, kept)}
          <BeginBy commission={kept} hasBegun={hasBegun} />
        </p>
      )}
      {!kept && <p className="quiet mt-1 max-w-prose text-sm">{t('commission.newHelp')}</p>}
      <form
        className="mt-4 space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate({ details: draft.value, version: kept?.version ?? 0 })
        }}
      >
        <CommissionFields
          details={draft.value}
          problemAt={problemAt}
          onChange={(change) => draft.set((was) => ({ ...was, ...change }))}
        />
        <div className="flex flex-wrap items-center gap-3">
          <button className="btn btn-primary btn-sm" disabled={save.isPending || (kept !== null && !draft.isChanged)}>
            {t(kept ? 'make.save' : 'commission.make')}
          </button>
          {draft.isChanged && (
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => {
                save.reset()
                draft.drop(kept ? detailsOf(kept) : blank())
              }}
            >
              {t('unsaved.throwAway')}
            </button>
          )}
          {save.isSuccess && !draft.isChanged && (
            <span role="status" className="quiet text-sm">
              {t('save.saved')}
            </span>
          )}
        </div>
        {isClash(save.error) ? (
          <ClashChoice
            onTheirs={() =>
              void theirs().then((now) => {
                save.reset()
                if (now) draft.drop(detailsOf(now))
              })
            }
            onMine={() =>
              void theirs(aside(queries.commissions())).then(
                (now) => now && save.mutate({ details: draft.value, version: now.version }),
              )
            }
          />
        ) : (
          <WholeFailure error={save.error} kept />
        )}
      </form>
      {kept && (
        <>
          <section aria-labelledby="more" className="border-base-300 mt-8 max-w-3xl border-t pt-4">
            <h2 id="more" className="font-semibold">
              {t('commission.more')}
            </h2>
            <CopyForm
              name={t('copy.nameOf', { name: kept.name })}
              dueOn={kept.dueOn}
              onCopy={(copy) =>
                answer(
                  api.POST('/api/commissions/{id}/copy', {
                    params: { path: { id: kept.id } },
                    body: { ...copy, dueOn: copy.dueOn! },
                  }),
                )
              }
              onDone={async (id) => {
                await readAgain()
                void go(`/commissions/${id}`)
              }}
            />
            <GuestAddress commissionId={kept.id} />
            <div className="mt-8">
              <ConfirmButton toBin label={t('commission.remove')} onYes={() => remove.mutate()} />
              <p className="quiet mt-1 text-xs">{t('bin.help')}</p>
              <Failure error={remove.error} nameOf={(id) => id} />
            </div>
          </section>
        </>
      )}
    </main>
  )
}

function detailsOf(view: CommissionView): CommissionDetails {
  const {
    name,
    dueOn,
    place,
    roomHumidityPercent,
    roomCelsius,
    light,
    marginDays,
    clientNote,
    ownNote,
    diets,
    status,
  } = view
  return { name, dueOn, place, roomHumidityPercent, roomCelsius, light, marginDays, clientNote, ownNote, diets, status }
}
