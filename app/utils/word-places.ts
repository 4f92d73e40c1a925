import { STATIONS } from '~/utils/stations'
import type { Place } from '~~/core/words/term'

/** Where a word of the trade leads to, as it is called, and the way there; calculators have none, they are opened. */
const VIEWS: Partial<Record<Place, { name: string; to: string }>> = {
  findings: { name: 'Survey: findings', to: 'survey' },
  readings: { name: 'Readings', to: 'measure' },
  settings: { name: 'Settings: setpoints and schedules', to: 'set' },
  checks: { name: 'Settings: setpoint checks', to: 'set?view=board' },
  modes: { name: 'Settings: circulation modes', to: 'set?view=modes' },
  schedule: { name: 'Settings: week', to: 'set?view=week' },
  day: { name: 'Settings: day', to: 'set?view=day' },
  improve: { name: 'Improve', to: 'improve' },
  sizing: { name: 'Improve: sizing', to: 'improve?view=sizes' },
}

export function placeOf(at: Place): { name: string; to: string | null } {
  if (at === 'calculators') return { name: 'Calculators', to: null }
  return VIEWS[at] ?? { name: `Survey: ${STATIONS[at as keyof typeof STATIONS]}`, to: `survey?at=${at}` }
}
