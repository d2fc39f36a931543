import { useTranslation } from 'react-i18next'
import type { PasteDay } from '../../api/api'
import type { NameOf } from '../../shared/words'
import { grams, money } from '../../shared/words'

/** What the work takes against the stock, and what is to be bought. */
export function ShoppingList({ day, chosen, nameOf }: { day: PasteDay; chosen: string[]; nameOf: NameOf }) {
  const { t } = useTranslation()
  const missing = day.shopping.filter((line) => (line.shortG ?? 0) > 0)
  const cost = missing.reduce((sum, line) => sum + (line.costOfShort ?? 0), 0)
  const unpriced = missing.filter((line) => line.costOfShort === null).length
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
              <tr key={line.materialId} className={(line.shortG ?? 0) > 0 ? 'font-semibold' : ''}>
                <td>{nameOf(line.materialId)}</td>
                <td className="text-right">
                  {line.grams === null ? t('pasteDay.shop.ml', { ml: (line.ml ?? 0).toFixed(0) }) : grams(line.grams)}
                </td>
                <td className="text-right">{line.stockG === null ? t('pasteDay.shop.unknown') : grams(line.stockG)}</td>
                <td className="text-right">
                  {line.shortG === null ? '' : line.shortG > 0 ? grams(line.shortG) : t('pasteDay.shop.nothing')}
                </td>
                <td className="text-right">
                  {line.costOfShort === null || line.costOfShort === 0 ? '' : money(line.costOfShort, day.currency)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}
