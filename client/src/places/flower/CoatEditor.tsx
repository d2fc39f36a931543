import type { NameOf } from '../../shared/words'
import { ArrowLeft, ArrowRight, Trash2 } from 'lucide-react'
import { useTranslation } from 'react-i18next'
import type { Coat, CoatView, GlazeCoat, Material, NamedLoad } from '../../api/api'
import { NumberField } from '../../shared/NumberField'
import { Choice } from '../../shared/Choice'
import { coatName } from './coatWords'
import { DustFields } from './DustFields'
import type { ProblemAt } from '../../shared/Editor'
import { Editor } from '../../shared/Editor'
import { SidesChoice } from './SidesChoice'
import { offered } from '../../shared/cabinet'

/** One coat, opened: what it is made of, how much, where, and its place in the order. */
export function CoatEditor({
  coat,
  view,
  place,
  count,
  loads,
  materials,
  nameOf,
  problemAt,
  onChange,
  onMove,
  onRemove,
  onClose,
}: {
  coat: Coat
  /** Amounts of it; missing while the plan is not possible. */
  view: CoatView | undefined
  /** From 0. */
  place: number
  count: number
  loads: NamedLoad[]
  materials: Material[]
  nameOf: NameOf
  /** Path within the coat. */
  problemAt: ProblemAt
  onChange: (coat: Coat) => void
  onMove: (by: -1 | 1) => void
  onRemove: () => void
  onClose: () => void
}) {
  const { t } = useTranslation()
  const title = `${t(`coat.kind.${coat.kind}`)}: ${coatName(t, coat, view, nameOf)}`
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
      {coat.kind === 'dust' && (
        <DustFields
          coat={coat}
          view={view}
          loads={loads}
          materials={materials}
          nameOf={nameOf}
          problemAt={problemAt}
          onChange={onChange}
        />
      )}
      {coat.kind === 'steam' && (
        <div className="flex flex-wrap items-start gap-6">
          <NumberField
            label={t('coat.steamSeconds')}
            unit="s"
            value={coat.seconds}
            problem={problemAt('seconds')}
            onChange={(seconds) => onChange({ ...coat, seconds })}
          />
          <p className="quiet max-w-prose text-sm">{t('coat.steamHelp')}</p>
        </div>
      )}
      {coat.kind === 'glaze' && (
        <GlazeFields coat={coat} view={view} materials={materials} problemAt={problemAt} onChange={onChange} />
      )}
    </Editor>
  )
}

function GlazeFields({
  coat,
  view,
  materials,
  problemAt,
  onChange,
}: {
  coat: GlazeCoat
  view: CoatView | undefined
  materials: Material[]
  problemAt: ProblemAt
  onChange: (coat: Coat) => void
}) {
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
      {view?.glazeMl != null && (
        <p className="quiet text-sm">{t('coat.glazeAmount', { ml: view.glazeMl.toFixed(1) })}</p>
      )}
    </div>
  )
}
