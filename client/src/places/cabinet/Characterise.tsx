import { useMutation } from '@tanstack/react-query'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import type { CharacteriseAnswer, ColourView, Material, MaterialRecord, SpectralReading } from '../../api/api'
import { answer, api, upload } from '../../api/api'
import { CharacteriseColourRequestLimits } from '../../api/limits'
import { offered } from '../../shared/cabinet'
import { FileButton } from '../../shared/FileButton'
import { Failure } from '../../shared/Message'
import { NumberField } from '../../shared/NumberField'
import { SelectField } from '../../shared/SelectField'
import { useKept } from '../../shared/useKept'
import { Swatch } from '../../shared/Swatch'
import { colourName, deltaE } from '../../shared/words'
import type { DabToRead } from './dabToRead'
import { DabPicture } from './DabPicture'
import { DabReader } from './DabReader'

/** A dab that was made; its colour once it has been read. */
export interface Dab {
  amount: number
  colour: ColourView | null
  /** 36 values, if the colour reader read it. */
  reflectance: number[] | null
}

const isDabs = (value: unknown): value is Dab[] =>
  Array.isArray(value) && value.length > 0 && value.every((one) => typeof (one as Dab | null)?.amount === 'number')

const mostDabs = CharacteriseColourRequestLimits.dabs.maxItems
const firstAmounts = { paste: [0.03, 0.12, 0.5, 1.5], dust: [0.1, 0.25, 0.5, 0.7] }

type Way = 'picture' | 'reader'

/** Guides through one to four dabs of a jar, reads them, and learns what the colour does. */
export function Characterise({
  sheet,
  materials,
  onLearned,
  onClose,
}: {
  sheet: MaterialRecord
  materials: Material[]
  onLearned: (learned: Partial<MaterialRecord>) => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  const sort = sheet.kind === 'colourant' ? 'paste' : 'dust'
  const amounts = firstAmounts[sort]
  const pastes = offered(materials, 'paste')
  const [chosenBase, setBaseId] = useState<string | null>(null)
  // The cabinet may come after the page; until it does there is no paste to learn on.
  const baseId = chosenBase ?? pastes[0]?.id ?? ''
  const begin = amounts.map((amount): Dab => ({ amount, colour: null, reflectance: null }))
  // Reading dabs takes a while: a reload must not cost them.
  const kept = useKept<Dab[]>(`dabs/${sheet.id ?? 'new'}/${sort}`, begin, isDabs)
  const { value: dabs, set: setDabs } = kept
  const [reading, setReading] = useState<{ place: number; way: Way } | null>(null)
  const learn = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/materials/characterise', {
          body: {
            materialId: sheet.id ?? null,
            kind: sheet.kind,
            baseId,
            dabs: read.map(({ amount, colour, reflectance }) => ({ amount, colour: colour!.lab, reflectance })),
          },
        }),
      ),
  })
  const fromTable = useMutation({
    mutationFn: (file: File) => upload<SpectralReading[]>('/api/files/spectra/read', file),
  })

  const set = (place: number, part: Partial<Dab>) => {
    learn.reset()
    setDabs((was) => was.map((dab, i) => (i === place ? { ...dab, ...part } : dab)))
  }
  const dabAt = (place: number): DabToRead => ({
    number: place + 1,
    materialId: sheet.id ?? null,
    materials,
    baseId,
    amount: dabs[place]!.amount,
    onClose: () => setReading(null),
  })
  const read = dabs.filter((dab) => dab.colour !== null)
  return (
    <section aria-label={t('dabs.title')} className="border-base-300 w-full border-t pt-3">
      <div className="flex items-center gap-3">
        <h3 className="font-semibold">{t('dabs.title')}</h3>
        <button type="button" className="btn btn-ghost btn-sm ml-auto" onClick={onClose}>
          <X size={16} aria-hidden />
          {t('frame.close')}
        </button>
      </div>
      <p className="max-w-prose text-sm">{t(`dabs.how.${sort}`)}</p>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <SelectField
          label={t(`dabs.base.${sort}`)}
          value={baseId}
          options={pastes.map((paste) => ({ value: paste.id, label: paste.name }))}
          onChoose={setBaseId}
        />
        <FileButton
          label={t('dabs.tableFile')}
          accept=".txt,.cgats,.csv,text/plain"
          onFile={(file) =>
            fromTable.mutate(file, {
              onSuccess: (readings) => {
                learn.reset()
                setDabs(
                  readings.slice(0, mostDabs).map(({ amount, colour, reflectance }, i) => ({
                    amount: amount ?? amounts[i]!,
                    colour,
                    reflectance,
                  })),
                )
              },
            })
          }
        >
          {t('dabs.table')}
        </FileButton>
      </div>
      <Failure error={fromTable.error} nameOf={(id) => id} />
      {fromTable.data && fromTable.data.length > mostDabs && (
        <p role="status" className="text-sm">
          {t('dabs.firstOf', { most: mostDabs, count: fromTable.data.length })}
        </p>
      )}
      <ol className="mt-3 grid gap-4 sm:grid-cols-2 xl:grid-cols-4">
        {dabs.map((dab, place) => (
          <li key={place} aria-label={t('dabs.dab', { number: place + 1 })} className="flex flex-col gap-2">
            <div className="surround flex h-24 items-center justify-center p-3 text-sm">
              {dab.colour ? (
                <Swatch
                  colour={dab.colour}
                  label={t('dabs.dab', { number: place + 1 })}
                  className="h-16 w-28 rounded-full"
                />
              ) : (
                <span className="border-surround-ink flex h-16 w-28 items-center justify-center rounded-full border border-dashed">
                  {t('dabs.notRead')}
                </span>
              )}
            </div>
            {dab.colour && <p className="text-xs">{colourName(t, dab.colour)}</p>}
            <NumberField
              label={t('dabs.amountLabel', { number: place + 1 })}
              value={dab.amount}
              unit={t(sort === 'paste' ? 'material.per100g' : 'material.perCm2')}
              onChange={(amount) => set(place, { amount })}
            />
            <div className="flex flex-wrap gap-2">
              {(['picture', 'reader'] as const).map((way) => (
                <button
                  key={way}
                  type="button"
                  className="btn btn-sm"
                  aria-expanded={reading?.place === place && reading.way === way}
                  onClick={() => setReading({ place, way })}
                >
                  {t(`dabs.way.${way}`)}
                </button>
              ))}
              {dabs.length > 1 && (
                <button
                  type="button"
                  className="btn btn-ghost btn-sm"
                  aria-label={t('dabs.leaveOut', { number: place + 1 })}
                  onClick={() => {
                    learn.reset()
                    setReading(null)
                    setDabs((was) => was.filter((_, i) => i !== place))
                  }}
                >
                  <X size={16} aria-hidden />
                </button>
              )}
            </div>
          </li>
        ))}
      </ol>
      {dabs.length < mostDabs && (
        <button
          type="button"
          className="btn btn-sm mt-3"
          onClick={() => {
            const next = amounts.find((one) => !dabs.some((dab) => dab.amount === one)) ?? amounts.at(-1)!
            setDabs([...dabs, { amount: next, colour: null, reflectance: null }])
          }}
        >
          <Plus size={16} aria-hidden />
          {t('dabs.another')}
        </button>
      )}
      {reading?.way === 'picture' && (
        <DabPicture
          key={`picture ${reading.place}`}
          dab={dabAt(reading.place)}
          onRead={(colour) => set(reading.place, { colour, reflectance: null })}
        />
      )}
      {reading?.way === 'reader' && (
        <DabReader
          key={`reader ${reading.place}`}
          dab={dabAt(reading.place)}
          onRead={(colour, reflectance) => {
            set(reading.place, { colour, reflectance })
            setReading(null)
          }}
        />
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={read.length === 0 || baseId === '' || learn.isPending}
          onClick={() => learn.mutate()}
        >
          {t('dabs.learn', { count: read.length })}
        </button>
        {read.length < dabs.length && (
          <p className="quiet text-sm">{t('dabs.open', { count: dabs.length - read.length })}</p>
        )}
      </div>
      <Failure error={learn.error} nameOf={(id) => materials.find((one) => one.id === id)?.name ?? id} />
      {learn.data && (
        <Learned
          learned={learn.data}
          sort={sort}
          onTake={() => {
            kept.drop(begin)
            onLearned({
              absorption: learn.data.absorption,
              scattering: learn.data.scattering,
              worstDeltaE: learn.data.worstDeltaE,
              dabs: read.map(({ amount, colour, reflectance }) => ({ amount, colour: colour!.lab, reflectance })),
            })
          }}
        />
      )}
    </section>
  )
}

/** What was learned: each dab beside what the model tells for it, how well it fits, and the ladder of doses. */
function Learned({
  learned,
  sort,
  onTake,
}: {
  learned: CharacteriseAnswer
  sort: 'paste' | 'dust'
  onTake: () => void
}) {
  const { t } = useTranslation()
  return (
    <section aria-label={t('dabs.learned.title')} className="mt-4">
      <h3 className="font-semibold">{t('dabs.learned.title')}</h3>
      <p className="text-sm" role="status">
        <span className="font-semibold">{t(`dabs.learned.${learned.quality}`)}</span>{' '}
        {t('material.fit', { deltaE: deltaE(learned.worstDeltaE) })}
      </p>
      <div
        className="surround mt-2 overflow-x-auto p-4 text-xs"
        role="group"
        tabIndex={0}
        aria-label={t('dabs.learned.ladder')}
      >
        <ul className="mb-4 flex gap-4">
          {learned.dabs.map((dab) => (
            <li key={dab.amount} className="shrink-0">
              <span className="flex">
                <Swatch colour={dab.read} label={t('dabs.learned.read')} className="h-12 w-14" />
                <Swatch colour={dab.told} label={t('dabs.learned.told')} className="h-12 w-14" />
              </span>
              {t(`dabs.amount.${sort}`, { amount: dab.amount })}: ΔE {deltaE(dab.deltaE)}
            </li>
          ))}
        </ul>
        <ol className="flex">
          {learned.ladder.map((step) => (
            <li key={step.amount} className="flex shrink-0 flex-col">
              <Swatch
                colour={step.colour}
                label={t(`dabs.amount.${sort}`, { amount: step.amount })}
                className="h-14 w-20"
              />
              {step.amount}
            </li>
          ))}
        </ol>
        <p>{t(`dabs.learned.unit.${sort}`)}</p>
      </div>
      <button type="button" className="btn btn-primary btn-sm mt-3" onClick={onTake}>
        {t('dabs.take')}
      </button>
    </section>
  )
}
