/** Words of the trade that are explained where they stand and in the glossary. */
export const termNames = [
  'ball',
  'base',
  'coat',
  'deltaE',
  'dust',
  'fade',
  'folds',
  'glaze',
  'ground',
  'heart',
  'letDown',
  'load',
  'lustre',
  'margin',
  'marble',
  'ombre',
  'paste',
  'rest',
  'rim',
  'spare',
  'spread',
  'steam',
  'stock',
  'tip',
  'touch',
  'wash',
  'whorl',
  'zone',
] as const

export type TermName = (typeof termNames)[number]

export const isTerm = (word: string): word is TermName => (termNames as readonly string[]).includes(word)
