import type { TFunction } from '../../shared/translation'
import { useTranslation } from '../../shared/translation'
import type { Material, PasteDay, ShoppingLine } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { amountOf, money, nameFinder } from '../../shared/words'

/** What the work takes against the stock, and what is to be bought. */
export function ShoppingList({ day, chosen, materials }: { day: PasteDay; chosen: string[]; materials: Material[] }) {
  const { t } = useTranslation()
  const nameOf = nameFinder(materials)
  const missing = day.shopping.filter((line) => (line.short ?? 0) > 0)
  const cost = missing.reduce((sum, line) => sum + (line.cost ?? 0), 0)
  const unpriced = missing.filter((line) => line.cost === null).length
  // What runs short stands first.
  const lines = [...missing, ...day.shopping.filter((line) => !missing.includes(line))]
  const query = chosen.map((id) => `commissionId=${encodeURIComponent(id)}`).join('&')
  return (
    <section aria-label={t('pasteDay.shopping')} className="mt-3">
      <p className="text-sm font-semibold" role="status">
        {missing.length === 0
          ? t('pasteDay.shop.enough')
          : t('pasteDay.shop.short', { count: missing.length, cost: money(cost, day.currency) })}{' '}
        {unpriced > 0 && t('pasteDay.shop.unpriced', { count: unpriced })}
      </p>
      <p className="text-sm print:hidden">
        <a className="act" href={`/api/paste-day/shopping.csv?${query}`} download>
          {t('pasteDay.shop.csv')}
        </a>
      </p>
      <div className="mt-2 overflow-x-auto" tabIndex={0} role="region" aria-label={t('pasteDay.shop.table')}>
        <table className="table table-sm">
          <thead>
            <tr className="quiet">
              <th>{t('pasteDay.shop.column.material')}</th>
              <th className="text-right">{t('pasteDay.shop.column.need')}</th>
              <th className="text-right">{t('pasteDay.shop.column.stock')}</th>
              <th className="text-right">{t('pasteDay.shop.column.buy')}</th>
              <th className="text-right">{t('pasteDay.shop.column.cost')}</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr
                key={`${line.materialId} ${line.kind} ${line.gauge} ${line.diameterMm}`}
                className={(line.short ?? 0) > 0 ? 'font-semibold' : ''}
              >
                <td>{lineName(t, line, nameOf)}</td>
                <td className="text-right">{amountOf(t, line.measure, line.need)}</td>
                <td className="text-right">
                  {line.stock === null ? t('pasteDay.shop.unknown') : amountOf(t, line.measure, line.stock)}
                </td>
                <td className="text-right">{buying(t, line, materials)}</td>
                <td className="text-right">{line.cost ? money(line.cost, day.currency) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}

/** "White Paper-Wrapped Wire, 26 gauge"; what the cabinet does not hold goes by its kind. */
function lineName(t: TFunction, line: ShoppingLine, nameOf: NameOf): string {
  const name = line.materialId ? nameOf(line.materialId) : t(`pasteDay.shop.any.${line.kind}`)
  if (line.diameterMm !== null) return t('pasteDay.shop.diameter', { name, diameter: line.diameterMm })
  return line.gauge === null ? name : t('pasteDay.shop.gauge', { name, gauge: line.gauge })
}

/** "2 packs of 20 g", or what is missing where it is not known what a pack holds. */
function buying(t: TFunction, line: ShoppingLine, materials: Material[]): string {
  if (line.short === null) return ''
  if (line.short === 0) return t('pasteDay.shop.nothing')
  const size = materials.find((one) => one.id === line.materialId)?.supply.packSize
  return line.packs !== null && size
    ? t('pasteDay.shop.packs', { count: line.packs, size: amountOf(t, line.measure, size) })
    : t('pasteDay.shop.atLeast', { amount: amountOf(t, line.measure, line.short) })
}
