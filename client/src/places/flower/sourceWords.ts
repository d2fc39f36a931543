import type { PasteSource } from '../../api/api'
import type { TFunction } from '../../shared/translation'

/** What a piece is shaped from, in a few words; a paste of its own has none. */
export function sourceWords(t: TFunction, source: PasteSource): string {
  switch (source.kind) {
    case 'shade':
      return t('paste.source.shade', { shade: source.shade, shades: source.shades, flower: source.flowerName })
    case 'marble':
      return t('paste.source.marble', { flower: source.flowerName })
    case 'batch':
      return t('paste.source.batch', { name: source.batchName })
    default:
      return ''
  }
}
