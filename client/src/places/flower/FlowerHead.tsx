import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Pencil } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { Link, useLocation } from 'wouter'
import type { FlowerAnswer } from '../../api/api'
import { answer, api, madeFrom } from '../../api/api'
import { ChangeFlowersChangeLimits } from '../../api/limits'
import { queries } from '../../api/queries'
import { AskFirst } from '../../shared/AskFirst'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { CopyForm } from '../../shared/CopyForm'
import { Failure, WholeFailure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { TextField } from '../../shared/TextField'
import { flowerCount } from '../../shared/words'
import { useAsking } from '../../shared/useAsking'
import { useOpened } from '../../shared/useOpened'
import { useProblems } from '../../shared/useProblems'
import { CheckField } from '../../shared/CheckField'

/** A flower's name, what it is for, and the ways to see it whole. */
export function FlowerHead({ flower }: { flower: FlowerAnswer }) {
  const { t } = useTranslation()
  const [isOpen, setOpen] = useState(false)
  return (
    <div>
      <p className="text-xs">
        <Link className="act" to={`/commissions/${flower.commission.id}`}>
          {flower.commission.name}
        </Link>
      </p>
      <p className="name flex items-baseline gap-2 text-xl wrap-anywhere hyphens-auto">
        {flower.name}
        <button
          className="quiet hover:text-base-content min-h-6 min-w-6 cursor-pointer"
          aria-label={t('flower.change', { name: flower.name })}
          title={t('flower.change', { name: flower.name })}
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          <Pencil size={14} aria-hidden />
        </button>
      </p>
      <p className="quiet text-sm">{flowerCount(t, flower)}</p>
      {flower.mustBeEdible && <p className="text-sm">{t('flower.isEaten')}</p>}
      {isOpen && <FlowerFields flower={flower} onDone={() => setOpen(false)} />}
      <p className="mt-1 flex flex-wrap gap-x-4 text-sm">
        {(['ombre', 'marble', 'assembly', 'run-sheet', 'bloom', 'card'] as const).map((place) => (
          <Link key={place} className="act min-h-6" to={`/flowers/${flower.id}/${place}`}>
            {t(`flower.to.${place}`)}
          </Link>
        ))}
        <Link className="act min-h-6" to={`/commissions/${flower.commission.id}/together?flower=${flower.id}`}>
          {t('flower.to.together')}
        </Link>
      </p>
    </div>
  )
}

function FlowerFields({ flower, onDone }: { flower: FlowerAnswer; onDone: () => void }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const [, go] = useLocation()
  const commissions = useQuery(queries.commissions()).data?.commissions.map((entry) => entry.commission) ?? []
  const [name, setName] = useState(flower.name)
  const [flowers, setFlowers] = useState(flower.flowers)
  const [buds, setBuds] = useState(flower.buds)
  const [mustBeEdible, setMustBeEdible] = useState(flower.mustBeEdible)
  const path = { id: flower.id }
  const isChanged =
    name !== flower.name || mustBeEdible !== flower.mustBeEdible || flowers !== flower.flowers || buds !== flower.buds
  const asking = useAsking(isChanged, onDone)
  const form = useOpened<HTMLDivElement>(asking.close)
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/flowers/{id}', {
          params: { path },
          headers: madeFrom(flower.version),
          body: { name, flowers, buds, mustBeEdible },
        }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries()
      onDone()
    },
  })
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/flowers/{id}', { params: { path } })),
    onSuccess: () => {
      void go('/commissions')
      void client.invalidateQueries({ queryKey: queries.commissions().queryKey })
    },
  })
  const problemAt = useProblems([save.error])
  const own = flower.commission
  return (
    <div ref={form} className="mt-2 outline-none">
      <form
        className="space-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate()
        }}
      >
        <TextField
          label={t('flower.name')}
          value={name}
          most={ChangeFlowersChangeLimits.name.maxLength}
          problem={problemAt('name')}
          className="w-full"
          onChange={setName}
        />
        <div className="flex gap-3">
          <NumberField
            label={t('newFlower.flowers')}
            value={flowers}
            whole
            problem={problemAt('flowers')}
            onChange={setFlowers}
          />
          <NumberField label={t('newFlower.buds')} value={buds} whole problem={problemAt('buds')} onChange={setBuds} />
        </div>
        <CheckField label={t('flower.mustBeEdible')} checked={mustBeEdible} onChange={setMustBeEdible} />
        <div className="flex flex-wrap gap-2">
          <button className="btn btn-sm btn-primary" disabled={save.isPending}>
            {t('make.save')}
          </button>
          <button type="button" className="btn btn-sm" onClick={asking.close}>
            {t('frame.close')}
          </button>
        </div>
        <WholeFailure error={save.error} />
      </form>
      <AskFirst asking={asking} />
      <details className="mt-3 text-sm">
        <summary className="act min-h-6">{t('flower.copy')}</summary>
        <CopyForm
          name={t('copy.nameOf', { name: flower.name })}
          into={[own, ...commissions.filter((one) => one.id !== own.id)].map(({ id, name: of }) => ({ id, name: of }))}
          onCopy={({ name: copied, commissionId, withColours }) =>
            answer(
              api.POST('/api/flowers/{id}/copy', {
                params: { path },
                body: { name: copied, commissionId: commissionId ?? own.id, withColours },
              }),
            )
          }
          onDone={(id) => {
            void client.invalidateQueries({ queryKey: queries.commissions().queryKey })
            onDone()
            void go(`/flowers/${id}`)
          }}
        />
      </details>
      <div className="mt-3">
        <ConfirmButton toBin label={t('flower.remove')} onYes={() => remove.mutate()} />
      </div>
      <Failure error={remove.error} nameOf={(id) => id} />
    </div>
  )
}
