import { ArrowLeft, ArrowRight, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useTranslation } from '../../shared/translation'
import { later } from '../../shared/later'
import type { Coat, GlazeCoat, NamedLoad } from '../../api/api'
import { NumberField } from '../../shared/NumberField'
import { Choice } from '../../shared/Choice'
import type { CoatFieldsProps } from './coatFields'
import { coatKind, coatName, mixAmounts } from './coatWords'
import { DustFields } from './DustFields'
import { MixFields } from './MixFields'
import { PollenFields } from './PollenFields'
import { WashFields } from './WashFields'
import { useBeginnings } from './useBeginnings'
import { Editor } from '../../shared/Editor'
import { SidesChoice } from './SidesChoice'
import { WhenOn } from './WhenOn'
import { isDust, offered } from '../../shared/cabinet'
import { Term } from '../../shared/Term'
import { CheckField } from '../../shared/CheckField'

// It is asked for now and then: it comes when it is.
const PutOnOthers = later('put-on-others', async () => (await import('./PutOnOthers')).PutOnOthers)

/** One coat, opened: what it is made of, how much, where, and its place in the order. */
export function CoatEditor({
  coat,
  pieceId,
  flowerId,
  place,
  count,
  loads,
  onMove,
  onRemove,
  onClose,
  ...given
}: CoatFieldsProps<Coat> & {
  pieceId: string
  flowerId: string
  /** From 0. */
  place: number
  count: number
  loads: NamedLoad[]
  onMove: (by: -1 | 1) => void
  onRemove: () => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  const { view, nameOf, problemAt, onChange } = given
  const [onOthers, setOnOthers] = useState(false)
  const title = `${coatKind(t, coat)}: ${coatName(t, coat, view, nameOf)}`
  return (
    <Editor
      title={title}
      onClose={onClose}
      actions={
        <>
          <button className="btn btn-ghost btn-sm px-2" disabled={place === 0} onClick={() => onMove(-1)}>
            <ArrowLeft size={16} aria-hidden />
            {t('editor.earlier')}
          </button>
          <button className="btn btn-ghost btn-sm px-2" disabled={place === count - 1} onClick={() => onMove(1)}>
            {t('editor.later')}
            <ArrowRight size={16} aria-hidden />
          </button>
          <button className="btn btn-ghost btn-sm px-2" onClick={onRemove}>
            <Trash2 size={16} aria-hidden />
            {t('editor.remove')}
          </button>
        </>
      }
    >
      <CheckField
        label={t('coat.lock')}
        checked={coat.isLocked ?? false}
        className="mb-2"
        onChange={(isChecked) => onChange({ ...coat, isLocked: isChecked })}
      />
      <WhenOn coat={coat} pieceId={pieceId} onChange={onChange} />
      {coat.kind === 'dust' && <DustFields coat={coat} loads={loads} {...given} />}
      {coat.kind === 'steam' && (
        <div className="flex flex-wrap items-start gap-6">
          <NumberField
            label={<Term name="steam">{t('coat.steamSeconds')}</Term>}
            unit="s"
            value={coat.seconds}
            problem={problemAt('seconds')}
            onChange={(seconds) => onChange({ ...coat, seconds })}
          />
          <p className="quiet max-w-prose text-sm">{t('coat.steamHelp')}</p>
        </div>
      )}
      {coat.kind === 'glaze' && <GlazeFields coat={coat} {...given} />}
      {coat.kind === 'wash' && <WashFields coat={coat} {...given} />}
      {coat.kind === 'pollen' && <PollenFields coat={coat} {...given} />}
      <details className="relative mt-3 text-sm" onToggle={(event) => setOnOthers(event.currentTarget.open)}>
        <summary className="act min-h-6">{t('onto.open')}</summary>
        {onOthers && <PutOnOthers coat={coat} pieceId={pieceId} flowerId={flowerId} nameOf={nameOf} />}
      </details>
    </Editor>
  )
}

function GlazeFields(props: CoatFieldsProps<GlazeCoat>) {
  const { coat, view, materials, nameOf, problemAt, onChange } = props
  const { t } = useTranslation()
  return (
    <div className="flex flex-wrap items-start gap-6">
      <Choice
        legend={t('coat.glazeProduct')}
        options={offered(materials, 'glaze', coat.glazeId).map((m) => ({ value: m.id, label: m.name }))}
        chosen={coat.glazeId}
        onChoose={(glazeId) => onChange({ ...coat, glazeId })}
      />
      <NumberField
        label={t('coat.glazeCoats')}
        value={coat.coats}
        problem={problemAt('coats')}
        onChange={(coats) => onChange({ ...coat, coats })}
      />
      <SidesChoice sides={coat.sides} onChange={(sides) => onChange({ ...coat, sides })} />
      <Tint {...props} />
      {view?.ml != null && (
        <p className="quiet text-sm">
          {t('coat.glazeAmount', { ml: view.ml })}{' '}
          {view.amounts.length > 0 && t('mix.amounts', { amounts: mixAmounts(t, view, nameOf) })}
        </p>
      )}
    </div>
  )
}

/** Dust stirred into the glaze, or a clear one. */
function Tint({ coat, materials, nameOf, problemAt, onChange }: CoatFieldsProps<GlazeCoat>) {
  const { t } = useTranslation()
  const { tint } = coat
  const first = useBeginnings().tint
  return (
    <div>
      <CheckField
        label={t('coat.tinted')}
        checked={tint != null}
        disabled={!first}
        onChange={(isChecked) =>
          onChange({
            ...coat,
            tint: isChecked ? first : null,
          })
        }
      />
      {tint && (
        <div className="mt-2 space-y-2">
          <MixFields
            mix={tint.mix}
            choices={materials.filter((m) => isDust(m.kind))}
            nameOf={nameOf}
            path="tint.mix"
            problemAt={problemAt}
            onChange={(mix) => onChange({ ...coat, tint: { ...tint, mix } })}
          />
          <NumberField
            label={t('coat.tintStrength')}
            unit={t('coat.tintUnit')}
            value={tint.gPer10ml}
            problem={problemAt('tint.gPer10ml')}
            onChange={(gPer10ml) => onChange({ ...coat, tint: { ...tint, gPer10ml } })}
          />
          <p className="quiet max-w-prose text-xs">{t('coat.tintHelp')}</p>
        </div>
      )}
    </div>
  )
}
