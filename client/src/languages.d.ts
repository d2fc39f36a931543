declare module 'virtual:languages' {
  /** Words of each language but the first, by its tag and by group. */
  export const others: Record<string, Record<string, () => Promise<{ default: Record<string, never> }>>>
}
