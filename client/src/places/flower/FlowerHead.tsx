import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Pencil } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import { Link, useNavigate } from 'react-router'
import type { FlowerAnswer } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import { ConfirmButton } from '../../shared/ConfirmButton'
import { Failure } from '../../shared/Message'
import { TextField } from '../../shared/TextField'
import { flowerCount } from '../../shared/words'
import { useProblems } from '../../shared/useProblems'

/** A flower's name, what it is for, and the ways to see it whole. */
export function FlowerHead({ flower }: { flower: FlowerAnswer }) {
  const { t } = useTranslation()
  const [isOpen, setOpen] = useState(false)
  return (
    <div>
      <p className="text-xs">
        <Link className="act" to="/commissions">
          {flower.commission.name}
        </Link>
      </p>
      <p className="name flex items-baseline gap-2 text-2xl">
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
        {(['ombre', 'marble', 'bloom', 'card'] as const).map((place) => (
          <Link key={place} className="act min-h-6" to={`/flowers/${flower.id}/${place}`}>
            {t(`flower.to.${place}`)}
          </Link>
        ))}
      </p>
    </div>
  )
}

function FlowerFields({ flower, onDone }: { flower: FlowerAnswer; onDone: () => void }) {
  const { t } = useTranslation()
  const client = useQueryClient()
  const go = useNavigate()
  const [name, setName] = useState(flower.name)
  const [mustBeEdible, setMustBeEdible] = useState(flower.mustBeEdible)
  const path = { id: flower.id }
  const readAgain = async () => {
    void client.invalidateQueries({ queryKey: queries.commissions().queryKey })
    await client.invalidateQueries({ queryKey: queries.flower(flower.id).queryKey })
  }
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/flowers/{id}', {
          params: { path },
          body: { name, mustBeEdible, wasName: flower.name, wasMustBeEdible: flower.mustBeEdible },
        }),
      ),
    onSuccess: async () => {
      await readAgain()
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
  const problem = useProblems([save.error])('name')
  return (
    <form
      className="mt-2 space-y-2"
      onSubmit={(event) => {
        event.preventDefault()
        save.mutate()
      }}
    >
      <TextField
        label={t('flower.name')}
        value={name}
        most={120}
        problem={problem}
        className="w-full"
        onChange={setName}
      />
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={mustBeEdible}
          onChange={(event) => setMustBeEdible(event.target.checked)}
        />
        {t('flower.mustBeEdible')}
      </label>
      <div className="flex flex-wrap gap-2">
        <button className="btn btn-sm btn-primary">{t('make.save')}</button>
        <ConfirmButton label={t('flower.remove')} onYes={() => remove.mutate()} />
      </div>
      {!problem && <Failure error={save.error} nameOf={(id) => id} />}
    </form>
  )
}
