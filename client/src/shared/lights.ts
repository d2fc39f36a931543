import type { LightKind } from '../api/api'

/** The lights that flowers are looked at in, as the API knows them. */
export const lightKinds: LightKind[] = ['daylight', 'eveningDaylight', 'lamp', 'tube', 'warmLed', 'candle']
