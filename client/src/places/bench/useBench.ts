import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import type { BenchAnswer, BenchClash } from '../../api/api'
import { answer, api } from '../../api/api'
import { queries } from '../../api/queries'
import type { BenchNote } from '../../core/BenchDay'
import { hasFields } from '../../core/Kept'
import { Outbox } from '../../core/Outbox'
import { RequestFailed } from '../../core/RequestFailed'
import { kept } from '../../shared/kept'
import { newId } from '../../shared/newId'
import { hangsOnTicks } from '../../shared/tickStep'
import { timers } from '../../shared/timers'

type Sent = { clash: BenchClash | null }

/** Something that somebody else came between, until she has read it. */
export interface Told {
  id: string
  kind: BenchClash['kind'] | 'refused'
  operationId: string
  by: string
  at: string | null
}

const areTold = (value: unknown): value is Told[] =>
  Array.isArray(value) && value.every((one) => hasFields(one, 'id', 'kind', 'operationId', 'by', 'at'))

const toldName = 'bench/told'

const outbox = new Outbox<BenchNote, Sent>('bench/notes', kept, timers)

const day = { queryKey: queries.bench().queryKey }

const operationOf = (note: BenchNote) => ('operationId' in note ? (note.operationId ?? '') : '')

/** The day as it is known here: from the server, or, without a connection, as it was held when there was one. */
export function useBenchFacts(): {
  facts: BenchAnswer | undefined
  queries: { error: unknown; refetch: () => unknown }[]
} {
  const live = useQuery(queries.bench())
  const found = useQuery({ ...queries.heldBench(), enabled: !live.data })
  return { facts: live.data ?? found.data ?? undefined, queries: [live] }
}

/** What is done at the bench: shown at once, told when it can be. */
export function useNotes(by: string) {
  const client = useQueryClient()
  const [told, setTold] = useState(() => kept.read(toldName, areTold) ?? [])
  useEffect(() => {
    if (told.length > 0) kept.write(toldName, told)
    else kept.forget(toldName)
  }, [told])
  const readAgain = useMemo(
    () => () => {
      void client.invalidateQueries({
        predicate: ({ queryKey: [name] }) => name !== day.queryKey[0] && hangsOnTicks.includes(String(name)),
      })
      return client.invalidateQueries(day)
    },
    [client],
  )
  useEffect(() => {
    outbox.sendBy({
      send: ({ id, note }) => answer(api.PUT('/api/bench/notes/{id}', { params: { path: { id } }, body: note })),
      arrived: async ({ id }, { clash }) => {
        if (clash) setTold((was) => [...was.filter((one) => one.id !== id), { id, ...clash }])
        await readAgain()
        // Until it can be seen in the day it stays among what is told, or what was just done would look undone.
        const shown = client.getQueryCache().find(day)
        if (shown?.isActive() && shown.state.isInvalidated) throw new RequestFailed('offline')
      },
      refused: ({ id, note }) =>
        setTold((was) => [...was, { id, kind: 'refused', operationId: operationOf(note), by: '', at: null }]),
    })
    outbox.open()
    return () => outbox.close()
  }, [readAgain, client])
  const waiting = useSyncExternalStore(outbox.watch, () => outbox.waiting)
  const isAway = useSyncExternalStore(outbox.watch, () => outbox.isAway)
  return {
    notes: useMemo(() => waiting.map(({ note }) => note), [waiting]),
    isAway,
    told,
    read: (id: string) => setTold((was) => was.filter((one) => one.id !== id)),
    readAgain,
    tell: (note: Without<BenchNote>) =>
      outbox.add({ id: newId(), note: { ...note, at: new Date(serverNow()).toISOString(), by } as BenchNote }),
  }
}

/** A note before it has its time and its hands. */
type Without<N> = N extends unknown ? Omit<N, 'at' | 'by'> : never

let aheadMs = 0

/** The clock of the server, as far as this device knows it: two devices then mean the same moment. In ms. */
export const serverNow = () => Date.now() + aheadMs

/** Hears of what others do, and sets the clock. @returns Whether the server can be heard. */
export function useBenchEvents(onChange: () => void): boolean {
  const [isHeard, setHeard] = useState(true)
  useEffect(() => {
    const events = new EventSource('/api/bench/events')
    const setClock = (event: MessageEvent<string>) => {
      aheadMs = Date.parse((JSON.parse(event.data) as { now: string }).now) - Date.now()
      // A second is no matter, and a jumping clock is worse than a wrong one.
      if (Math.abs(aheadMs) < 1500) aheadMs = 0
      setHeard(true)
    }
    events.addEventListener('changed', (event) => {
      setClock(event)
      onChange()
    })
    events.addEventListener('alive', setClock)
    events.onerror = () => setHeard(false)
    return () => events.close()
  }, [onChange])
  return isHeard
}

/** The time, told anew every second. In ms. */
export function useNow(): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const clock = setInterval(() => setNow(serverNow()), 1000)
    return () => clearInterval(clock)
  }, [])
  return now
}
