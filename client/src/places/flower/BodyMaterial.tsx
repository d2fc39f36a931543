import { useQuery } from '@tanstack/react-query'
import type { Piece } from '../../api/api'
import { queries } from '../../api/queries'
import { offered } from '../../shared/cabinet'
import { Problem } from '../../shared/Message'
import { SelectField } from '../../shared/SelectField'
import { useTranslation } from '../../shared/translation'

type Form = NonNullable<Piece['form']>

/** Which of the cabinet a bought piece or a core is taken from. */
export function BodyMaterial({
  piece,
  problem,
  onChange,
}: {
  piece: Piece
  problem?: string
  onChange: (form: Partial<Form>) => void
}) {
  const { t } = useTranslation()
  const materials = useQuery(queries.materials()).data ?? []
  const body = piece.form?.body
  if (body?.kind !== 'bought' && body?.kind !== 'coveredCore') return null
  const shelf = offered(materials, body.kind === 'bought' ? 'stamens' : 'core', body.materialId ?? undefined)
  return (
    <div>
      <SelectField
        label={t('make.takenFrom')}
        value={body.materialId ?? 'first'}
        options={[
          { value: 'first', label: t('make.takenFirst') },
          ...shelf.map((one) => ({
            value: one.id,
            label:
              one.supply.stockPieces == null
                ? one.name
                : t('make.inStock', { name: one.name, count: one.supply.stockPieces }),
          })),
        ]}
        onChoose={(id) => {
          const chosen = shelf.find((one) => one.id === id)
          onChange({
            body: {
              ...body,
              materialId: chosen?.id ?? null,
              ...(chosen?.diameterMm != null && { coreMm: chosen.diameterMm }),
            },
          })
        }}
      />
      {problem && <Problem>{problem}</Problem>}
    </div>
  )
}
