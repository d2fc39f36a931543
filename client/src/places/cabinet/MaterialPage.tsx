import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import { Link, useLocation, useParams } from 'wouter'
import type { Material, MaterialKind, MaterialRecord } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { isClash, RequestFailed } from '../../core/RequestFailed'
import { aside, queries } from '../../api/queries'
import { isCounted, kinds } from '../../shared/cabinet'
import { ClashChoice } from '../../shared/ClashChoice'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { FrameState } from '../../shared/FrameState'
import { Failure, Reading, Unreadable } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { hasFields } from '../../core/Kept'
import { useKept } from '../../shared/useKept'
import { ColourOfIt } from './ColourOfIt'
import { nameFinder } from '../../shared/words'
import { JarLearned } from './JarLearned'
import { MaterialFields } from './MaterialFields'
import { WhereUsed } from './WhereUsed'
import { useProblems } from '../../shared/useProblems'
import { PageTitle } from '../../shared/PageTitle'

/** One material of the cabinet, to be changed; or a new one. */
export function MaterialPage() {
  const { id = 'new' } = useParams()
  return id === 'new' ? <NewMaterial /> : <KnownMaterial key={id} id={id} />
}

function KnownMaterial({ id }: { id: string }) {
  const { data, error, refetch } = useQuery({ ...queries.material(id), refetchOnWindowFocus: false })
  if (!data) return error ? <Unreadable error={error} retry={() => void refetch()} /> : <Reading />
  return <Sheet key={data.version} id={id} sheet={data.sheet} version={data.version} />
}

const blank = (kind: MaterialKind): MaterialRecord => ({
  name: '',
  kind,
  foodStatus: isCounted(kind) ? 'notFood' : 'edible',
})

function NewMaterial() {
  return <Sheet id={null} sheet={blank('colourant')} version={0} />
}

/** A draft, and the version that it was made from. */
interface Draft {
  sheet: MaterialRecord
  version: number
}

const isDraft = (value: unknown): value is Draft => hasFields(value, 'sheet', 'version')

function Sheet({ id, sheet: saved, version }: { id: string | null; sheet: MaterialRecord; version: number }) {
  const { t } = useTranslation()
  const [, navigate] = useLocation()
  const client = useQueryClient()
  const materials = useQuery(queries.materials())
  const draft = useKept<Draft>(`material/${id ?? 'new'}`, { sheet: saved, version }, isDraft)
  const { sheet } = draft.value
  const change = (part: Partial<MaterialRecord>) => draft.set((was) => ({ ...was, sheet: { ...was.sheet, ...part } }))

  const readAgain = () => {
    void client.invalidateQueries({ queryKey: ['materials'] })
    void client.invalidateQueries({ queryKey: ['duplicates'] })
    void client.invalidateQueries({ queryKey: ['needs'] })
    void client.invalidateQueries({ queryKey: ['mixing-table'] })
  }
  const save = useMutation({
    mutationFn: ({ sheet: changed, version: from }: Draft) =>
      answer(api.POST('/api/materials', { headers: madeFrom(from), body: { sheet: changed } })),
    onSuccess: async (kept, sent) => {
      draft.drop({ sheet: { ...sent.sheet, id: kept.id }, version: kept.version })
      readAgain()
      await client.invalidateQueries({ queryKey: queries.material(kept.id).queryKey })
      if (id === null) void navigate(`/cabinet/${kept.id}`, { replace: true })
    },
  })
  const remove = useMutation({
    mutationFn: (id: string) => answer(api.DELETE('/api/materials/{id}', { params: { path: { id } } })),
    onSuccess: () => {
      draft.drop(draft.value)
      readAgain()
      void navigate('/cabinet')
    },
  })
  const problemAt = useProblems([save.error], undefined, 'sheet')
  const inUse = remove.error instanceof RequestFailed && remove.error.code === 'inUse'
  const clashes = isClash(save.error)

  return (
    <main className="w-full max-w-6xl px-4 pt-5 pb-10 lg:px-6">
      <FrameState>
        <span role="status" className={draft.isChanged ? 'font-semibold' : 'quiet'}>
          {t(draft.isChanged ? 'material.notSaved' : id === null ? 'material.new' : 'save.saved')}
        </span>
      </FrameState>
      <p className="text-xs">
        <Link className="act" to="/cabinet">
          {t('cabinet.title')}
        </Link>
      </p>
      <PageTitle title={sheet.name.trim() || t('material.new')} />
      {sheet.isRetired && <p className="text-sm">{t('material.retiredHelp')}</p>}
      <form
        className="mt-4 space-y-6"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate(draft.value)
        }}
      >
        {id === null && (
          <SelectField
            label={t('material.kind')}
            value={sheet.kind}
            options={kinds.map((kind) => ({ value: kind, label: t(`shelf.${kind}`) }))}
            onChoose={(kind) => draft.set({ sheet: { ...blank(kind as MaterialKind), name: sheet.name }, version: 0 })}
          />
        )}
        <MaterialFields sheet={sheet} problemAt={problemAt} onChange={change}>
          <ColourOfIt
            key={`${id} ${sheet.kind}`}
            sheet={sheet}
            materials={materials.data ?? noMaterials}
            problem={problemAt('labelColour')}
            onChange={change}
          />
        </MaterialFields>
        <div className="flex flex-wrap items-center gap-3">
          <button className="btn btn-primary btn-sm" disabled={save.isPending}>
            {t(id === null ? 'material.add' : 'material.save')}
          </button>
          {draft.isChanged && (
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => {
                save.reset()
                draft.drop({ sheet: saved, version })
              }}
            >
              {t('material.discard')}
            </button>
          )}
          {id !== null && (
            <>
              <button
                type="button"
                className="btn btn-sm ml-auto"
                onClick={() => save.mutate({ ...draft.value, sheet: { ...sheet, isRetired: !sheet.isRetired } })}
              >
                {t(sheet.isRetired ? 'material.putBack' : 'material.retire')}
              </button>
              <ConfirmButton label={t('material.remove')} onYes={() => remove.mutate(id)} />
            </>
          )}
        </div>
        {clashes ? (
          <ClashChoice
            onTheirs={() =>
              void client.fetchQuery({ ...queries.material(id ?? ''), staleTime: 0 }).then((theirs) => {
                save.reset()
                draft.drop({ sheet: theirs.sheet, version: theirs.version })
              })
            }
            onMine={() =>
              void client
                .fetchQuery(aside(queries.material(id ?? '')))
                .then((theirs) => save.mutate({ sheet, version: theirs.version }))
            }
          />
        ) : (
          <Failure error={save.error} nameOf={(one) => one} />
        )}
        {inUse ? (
          <p role="alert" className="border-error border-l-4 pl-3 text-sm">
            {t('material.inUse')}
          </p>
        ) : (
          <Failure error={remove.error} nameOf={(one) => one} />
        )}
      </form>
      {id !== null && (sheet.kind === 'colourant' || sheet.kind === 'dust' || sheet.kind === 'lustre') && (
        <JarLearned id={id} isDust={sheet.kind !== 'colourant'} nameOf={nameFinder(materials.data ?? noMaterials)} />
      )}
      {id !== null && <WhereUsed id={id} />}
    </main>
  )
}

const noMaterials: Material[] = []
