import { find } from './catalogue'
import { language } from './language'

/** A name as it is written in the middle of a sentence: some languages write nouns with a capital letter wherever they stand. */
export const inSentence = (text: string): string =>
  find('names.inSentence') === 'small' ? text.toLocaleLowerCase(language().tag) : text
