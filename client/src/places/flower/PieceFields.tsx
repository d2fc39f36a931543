import { useQuery } from '@tanstack/react-query'
import { useTranslation } from '../../shared/translation'
import type { OutlineView, Piece, PieceForm, PieceRole } from '../../api/api'
import { PieceFormLimits, PieceLimits } from '../../api/limits'
import { queries } from '../../api/queries'
import type { ProblemAt } from '../../shared/Editor'
import { NumberField } from '../../shared/NumberField'
import { RangeField } from '../../shared/RangeField'
import { SelectField } from '../../shared/SelectField'
import { TextField } from '../../shared/TextField'
import { Term } from '../../shared/Term'
import { BallSize } from './BallSize'
import { BodyMaterial } from './BodyMaterial'
import { CutFields } from './CutFields'
import { CheckField } from '../../shared/CheckField'

const roles: PieceRole[] = ['petal', 'centre', 'stamen', 'calyx', 'bud', 'leaf', 'berry', 'stem']
const arrangements = ['ring', 'spiral', 'oneSide'] as const
const veins = ['own', 'none', 'fan', 'feather', 'palm'] as const

/** What a kind of piece is: its outline and size, how many a flower has, and how it is shaped and stands. */
export function PieceFields({
  piece,
  problemAt,
  onChange,
}: {
  piece: Piece
  problemAt: ProblemAt
  onChange: (piece: Piece) => void
}) {
  const { t } = useTranslation()
  const library = useQuery(queries.flowerLibrary()).data
  const form = piece.form!
  const set = (change: Partial<Piece>) => onChange({ ...piece, ...change })
  const setForm = (change: Partial<PieceForm>) => set({ form: { ...form, ...change } })
  return (
    <div className="grid gap-x-6 gap-y-3 lg:grid-cols-[minmax(15rem,1fr)_minmax(15rem,1fr)_minmax(15rem,1fr)]">
      <div className="space-y-2">
        <TextField
          label={t('make.name')}
          value={piece.name}
          most={PieceLimits.name.maxLength}
          problem={problemAt('name')}
          className="w-full"
          onChange={(name) => set({ name })}
        />
        <div className="flex flex-wrap gap-x-3 gap-y-1">
          <NumberField
            label={t('make.length')}
            unit="mm"
            value={piece.lengthMm}
            problem={problemAt('lengthMm')}
            onChange={(lengthMm) => set({ lengthMm })}
          />
          <NumberField
            label={t('make.width')}
            unit="mm"
            value={piece.widthMm}
            problem={problemAt('widthMm')}
            onChange={(widthMm) => set({ widthMm })}
          />
          {!piece.solid && (
            <NumberField
              label={t('make.thickness')}
              unit="mm"
              value={piece.thicknessMm}
              problem={problemAt('thicknessMm')}
              onChange={(thicknessMm) => set({ thicknessMm })}
            />
          )}
        </div>
        <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
          <NumberField
            label={t(piece.partOf === 'bud' ? 'make.perBud' : 'make.perFlower')}
            value={piece.perPart}
            problem={problemAt('perPart')}
            whole
            onChange={(perPart) => set({ perPart })}
          />
          <NumberField
            label={<Term name="spare">{t('make.spares')}</Term>}
            unit="%"
            value={100 * piece.spareShare}
            problem={problemAt('spareShare')}
            onChange={(percent) => set({ spareShare: percent / 100 })}
          />
          <CheckField
            label={t('make.solid')}
            checked={piece.solid}
            onChange={(isChecked) =>
              set({
                solid: isChecked,
                thicknessMm: isChecked ? Math.min(piece.lengthMm, piece.widthMm) : 0.6,
              })
            }
          />
        </div>
        <BallSize piece={piece} onChange={onChange} />
        <CutFields piece={piece} problemAt={problemAt} onChange={setForm} />
      </div>
      <fieldset className="min-w-0">
        <legend className="quiet text-xs">{t('make.outline')}</legend>
        <div
          className="surround grid max-h-44 grid-cols-5 gap-1 overflow-y-auto p-2"
          tabIndex={0}
          role="group"
          aria-label={t('make.outline')}
        >
          {library?.outlines.map((outline) => (
            <OutlineButton
              key={outline.id}
              outline={outline}
              isChosen={outline.id === piece.outlineId}
              onChoose={() =>
                // A leaf stands as a leaf; what is shaped by hand already stays where the kind is the same.
                set({ outlineId: outline.id, ...(outline.form.role !== form.role && { form: outline.form }) })
              }
            />
          ))}
        </div>
      </fieldset>
      <div className="grid grid-cols-2 content-start gap-x-3 gap-y-2">
        <SelectField
          label={t('make.role')}
          value={form.role}
          options={roles.map((value) => ({ value, label: t(`role.${value}`) }))}
          onChoose={(role) => {
            const usual = library?.usualForms.find((one) => one.role === role)
            set({ form: usual ?? { ...form, role: role as PieceRole }, partOf: role === 'bud' ? 'bud' : 'flower' })
          }}
        />
        <SelectField
          label={t('make.arrangement')}
          value={form.arrangement}
          options={arrangements.map((value) => ({ value, label: t(`arrangement.${value}`) }))}
          onChoose={(arrangement) => setForm({ arrangement: arrangement as PieceForm['arrangement'] })}
        />
        <RangeField
          label={t('make.open')}
          most={PieceFormLimits.openDegrees.maximum}
          step={5}
          value={form.openDegrees}
          words={t('make.degrees', { degrees: form.openDegrees })}
          onChange={(openDegrees) => setForm({ openDegrees })}
        />
        <NumberField
          label={t('make.inset')}
          unit="mm"
          value={form.insetMm}
          problem={problemAt('form.insetMm')}
          onChange={(insetMm) => setForm({ insetMm })}
        />
        <RangeField
          label={t('make.cup')}
          most={1}
          step={0.05}
          value={form.cup}
          words={t('marking.percent', { percent: Math.round(100 * form.cup) })}
          onChange={(cup) => setForm({ cup })}
        />
        <RangeField
          label={t('make.frill')}
          most={1}
          step={0.05}
          value={form.frill}
          words={t('marking.percent', { percent: Math.round(100 * form.frill) })}
          onChange={(frill) => setForm({ frill })}
        />
        <SelectField
          label={t('make.heldBy')}
          value={form.isWired == null ? 'house' : form.isWired ? 'wire' : 'glue'}
          options={helds.map((value) => ({ value, label: t(`make.held.${value}`) }))}
          onChoose={(held) => setForm({ isWired: held === 'house' ? null : held === 'wire' })}
        />
        <SelectField
          label={t('make.gauge')}
          value={form.gauge == null ? 'house' : String(form.gauge)}
          options={[
            { value: 'house', label: t('make.held.house') },
            ...gauges.map((value) => ({ value: String(value), label: String(value) })),
          ]}
          onChoose={(gauge) => setForm({ gauge: gauge === 'house' ? null : Number(gauge) })}
        />
        <SelectField
          label={t('make.body')}
          value={form.body?.kind ?? 'house'}
          options={bodies.map((value) => ({ value, label: t(`make.bodies.${value}`) }))}
          onChoose={(kind) => setForm({ body: bodyOf(kind, piece) })}
        />
        {form.body?.kind === 'coveredCore' && (
          <div className="flex gap-3">
            <NumberField
              label={t('make.core')}
              unit="mm"
              value={form.body.coreMm}
              problem={problemAt('form.body.coreMm')}
              onChange={(coreMm) => setForm({ body: { ...form.body!, coreMm } })}
            />
            <NumberField
              label={t('make.skin')}
              unit="mm"
              value={form.body.skinMm}
              problem={problemAt('form.body.skinMm')}
              onChange={(skinMm) => setForm({ body: { ...form.body!, skinMm } })}
            />
          </div>
        )}
        <BodyMaterial piece={piece} problem={problemAt('form.body.materialId')} onChange={setForm} />
        <SelectField
          label={t('make.veins')}
          value={form.veins ?? 'own'}
          options={veins.map((value) => ({ value, label: t(`veins.${value}`) }))}
          onChoose={(chosen) => setForm({ veins: chosen === 'own' ? null : (chosen as PieceForm['veins']) })}
        />
      </div>
    </div>
  )
}

const helds = ['house', 'wire', 'glue'] as const
const bodies = ['house', 'paste', 'coveredCore', 'bought'] as const
const { minimum: coarsest, maximum: finest } = PieceFormLimits.gauge
const gauges = Array.from({ length: (finest - coarsest) / 2 + 1 }, (_, i) => coarsest + 2 * i)

/** A core begins a little smaller than its piece, for the paste over it. */
function bodyOf(kind: string, piece: Piece): PieceForm['body'] {
  if (kind === 'house') return null
  const skinMm = kind === 'coveredCore' ? 2 : 0
  const coreMm = kind === 'coveredCore' ? Math.max(1, Math.min(piece.lengthMm, piece.widthMm) - 2 * skinMm) : 0
  return { kind: kind as NonNullable<PieceForm['body']>['kind'], coreMm, skinMm, materialId: null }
}

function OutlineButton({
  outline,
  isChosen,
  onChoose,
}: {
  outline: OutlineView
  isChosen: boolean
  onChoose: () => void
}) {
  const { t } = useTranslation()
  const name = t(`outline.${outline.id}`)
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={name}
      title={name}
      className={`flex min-h-10 cursor-pointer items-center justify-center p-1 ${isChosen ? 'outline-surround-ink outline-2' : ''}`}
      onClick={onChoose}
    >
      <svg aria-hidden height={34} width={34} viewBox="-1 -1 42 42">
        <path d={outline.path} fill={isChosen ? '#f4f4f4' : '#c9c9c9'} stroke="#141414" strokeWidth={0.8} />
      </svg>
    </button>
  )
}
