import type { Diet } from '../api/api'

/** Ways of eating, as the API knows them. */
export const diets: Diet[] = ['vegan', 'vegetarian', 'glutenFree', 'nutFree', 'dairyFree']
