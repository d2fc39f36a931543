import { useQuery } from '@tanstack/react-query'
import type { TFunction } from './translation'
import { useId, useState } from 'react'
import { useTranslation } from './translation'
import { useLocation } from 'wouter'
import type { Commissions, KeptBatch, Material } from '../api/api'
import { queries } from '../api/queries'
import { Dialog } from './Dialog'

interface Goal {
  to: string
  name: string
  /** What it is, and of what. */
  kind: string
}

const mostShown = 9

/** Any flower, piece, commission, jar, batch or page, by a few letters of its name. */
export function JumpBox({ onClose }: { onClose: () => void }) {
  const { t } = useTranslation()
  const [, go] = useLocation()
  const id = useId()
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const commissions = useQuery(queries.commissions()).data
  const materials = useQuery(queries.materials()).data
  const batches = useQuery(queries.batches()).data
  const found = matches(goalsOf(t, commissions, materials ?? [], batches ?? []), text)
  const chosen = Math.min(at, found.length - 1)
  const jump = (goal: Goal | undefined) => {
    if (!goal) return
    onClose()
    void go(goal.to)
  }
  const move: Record<string, () => void> = {
    ArrowDown: () => setAt(Math.min(chosen + 1, found.length - 1)),
    ArrowUp: () => setAt(Math.max(chosen - 1, 0)),
    Enter: () => jump(found[chosen]),
  }
  return (
    <Dialog title={t('jump.title')} onClose={onClose}>
      <input
        data-first
        role="combobox"
        aria-label={t('jump.what')}
        aria-expanded
        aria-controls={`${id}-list`}
        aria-activedescendant={found.length > 0 ? `${id}-${chosen}` : undefined}
        className="input mt-2 w-full"
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          setAt(0)
        }}
        onKeyDown={(event) => {
          if (!move[event.key]) return
          event.preventDefault()
          move[event.key]!()
        }}
      />
      <p role="status" className="quiet mt-1 text-xs">
        {found.length === 0 ? t('jump.none') : t('jump.found', { count: found.length })}
      </p>
      <ul id={`${id}-list`} role="listbox" aria-label={t('jump.title')} className="mt-1">
        {found.map((goal, i) => (
          <li
            key={goal.to + goal.name}
            id={`${id}-${i}`}
            role="option"
            aria-selected={i === chosen}
            className={`flex min-h-8 cursor-pointer flex-wrap items-baseline gap-x-3 px-2 py-1 ${i === chosen ? 'bg-neutral text-neutral-content' : ''}`}
            onClick={() => jump(goal)}
          >
            <span className="font-semibold">{goal.name}</span>
            <span className="text-sm">{goal.kind}</span>
          </li>
        ))}
      </ul>
    </Dialog>
  )
}

function goalsOf(
  t: TFunction,
  commissions: Commissions | undefined,
  materials: Material[],
  batches: KeptBatch[],
): Goal[] {
  const pages = [
    'bench',
    'commissions',
    'plan',
    'paste-day',
    'mixing',
    'cabinet',
    'logbook',
    'practice',
    'files',
    'studio',
    'me',
    'bin',
    'glossary',
  ] as const
  return [
    ...(commissions?.commissions ?? []).flatMap(({ commission, flowers }) => [
      ...flowers.flatMap((flower) => [
        { to: `/flowers/${flower.id}`, name: flower.name, kind: t('jump.flower', { of: commission.name }) },
        ...(flower.pieces ?? []).map((piece) => ({
          to: `/flowers/${flower.id}/${piece.id}`,
          name: `${flower.name}, ${piece.name}`,
          kind: t('jump.piece', { of: commission.name }),
        })),
      ]),
      { to: `/commissions/${commission.id}`, name: commission.name, kind: t('jump.commission') },
      { to: `/commissions/${commission.id}/dust-day`, name: commission.name, kind: t('commission.to.dust-day') },
    ]),
    ...pages.map((page) => ({ to: `/${page}`, name: t(`jump.page.${page}`), kind: t('jump.place') })),
    ...materials.map((material) => ({
      to: `/cabinet/${material.id}`,
      name: material.name,
      kind: t(`shelf.${material.kind}`),
    })),
    ...batches.map((batch) => ({
      to: `/paste-day?batch=${batch.id}`,
      name: batch.name,
      kind: t('jump.batch', { of: batch.commissionName }),
    })),
  ]
}

/** What has all the words in it, in any order: first what begins with them, then what is called so, then what belongs to it. */
function matches(goals: Goal[], text: string): Goal[] {
  const words = plain(text).split(/\s+/).filter(Boolean)
  const rank = ({ name }: Goal) => {
    const isCalledSo = words.every((word) => plain(name).includes(word))
    return isCalledSo ? (plain(name).startsWith(words[0] ?? '') ? 0 : 1) : 2
  }
  return goals
    .filter((goal) => words.every((word) => plain(`${goal.name} ${goal.kind}`).includes(word)))
    .sort((one, other) => rank(one) - rank(other))
    .slice(0, mostShown)
}

const plain = (text: string) => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '')
