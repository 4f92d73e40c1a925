import { dayNumber } from '../calendar/year'
import { lastDayThere } from '../household/last-day'
import { ventFor } from '../household/vent'
import type { Vent } from '../study/combustion'
import { type Burning, burnsFuel, efficiencyOf, everBurns } from '../study/heater-kinds'
import { answered, type Level, type Rule, saidOf, type Told } from './check'

/** A service stands for so many days. */
const SERVICE_DAYS = 400
const SOURCE = 'Carbon monoxide; local code and the data sheet'
/** Flue, air and alarm of everything that burns fuel indoors. A flue that draws on the room can be turned back by a fan. */
function ofHeater(h: Burning, there: string | null): Told[] {
  const { flue, airOpen, extractor, alarm, servicedOn } = h.combustion
  const roomSealed = flue === 'room-sealed'
  const look = `Inspect, and record it under ${h.name}.`
  const at = {
    subject: { kind: 'heater', id: h.id },
    concern: 'harm',
    cause: { id: `combustion-${h.id}`, title: `Carbon monoxide at ${h.name}` },
    source: SOURCE,
  } as const
  const overdue = servicedOn !== null && there !== null && dayNumber(there) - dayNumber(servicedOn) > SERVICE_DAYS
  return [
    {
      ...at,
      id: `flue-${h.id}`,
      level: flue === 'not checked' ? 'not checked' : 'pass',
      title: `Flue of ${h.name}`,
      sentence:
        flue === 'not checked'
          ? 'Not checked.'
          : roomSealed
            ? 'Room-sealed: combustion air from outdoors.'
            : 'Open-flued: combustion air from the room.',
      remedy: look,
      asks: `plant.heaters.${h.id}.combustion.flue`,
    },
    ventCheck(h, at),
    ...(roomSealed
      ? []
      : [
          {
            ...at,
            id: `combustion-air-${h.id}`,
            level: answered(airOpen, true),
            title: `Air for ${h.name}`,
            sentence: saidOf(
              airOpen,
              'The room admits combustion air.',
              'The room admits no combustion air: carbon monoxide can build up.',
            ),
            remedy: airOpen === false ? 'Keep it off until a registered installer has provided combustion air.' : look,
            asks: `plant.heaters.${h.id}.combustion.airOpen`,
          },
          {
            ...at,
            id: `extractor-${h.id}`,
            level: answered(extractor, false),
            title: `Fan in the room of ${h.name}`,
            sentence: saidOf(
              extractor,
              'An extract fan in the same room can reverse the flue.',
              'No extract fan in the same room.',
            ),
            remedy: extractor
              ? 'Have a registered installer test the flue with all fans running, or remove the fan.'
              : look,
            asks: `plant.heaters.${h.id}.combustion.extractor`,
          },
        ]),
    {
      ...at,
      id: `co-alarm-${h.id}`,
      // Beside a room-sealed appliance an alarm is advised; beside an open one it is all that warns.
      concern: roomSealed ? 'record' : 'harm',
      level: answered(alarm, true),
      title: `Carbon monoxide alarm at ${h.name}`,
      sentence: saidOf(alarm, 'Fitted and tested.', 'No working alarm.'),
      remedy: alarm === false ? 'Fit one to the local code, and test it.' : look,
      asks: `plant.heaters.${h.id}.combustion.alarm`,
    },
    {
      ...at,
      id: `serviced-${h.id}`,
      concern: 'record',
      level: serviceLevel(servicedOn, there, overdue),
      title: `Service of ${h.name}`,
      sentence:
        servicedOn === null
          ? 'Last service not recorded.'
          : `Last service on ${servicedOn}${there === null ? '; date of the visit not entered' : ''}.`,
      remedy:
        overdue || servicedOn === null
          ? 'Have it serviced by a registered installer, and record the date.'
          : 'Enter the date of the visit.',
      asks: `plant.heaters.${h.id}.combustion.servicedOn`,
    },
  ]
}

/** Flue gas that is wet eats what is not made for it; flue gas that is hot melts plastic. */
function ventCheck(h: Burning, at: Pick<Told, 'subject' | 'cause' | 'source'>): Told {
  const { vent } = h.combustion
  const condensing = efficiencyOf(h)?.kind === 'condensing'
  const level = ventLevel(vent, condensing)
  return {
    ...at,
    id: `vent-${h.id}`,
    concern: level === 'fail' ? 'harm' : 'fault',
    level,
    title: `Flue material of ${h.name}`,
    sentence: `${vent === 'not checked' ? 'Not checked' : `${vent[0].toUpperCase()}${vent.slice(1)}`}. ${ventFor(h)}.`,
    remedy: VENT_REMEDIES[level] ?? `Inspect, and record it under ${h.name}.`,
    asks: `plant.heaters.${h.id}.combustion.vent`,
  }
}

const VENT_REMEDIES: Partial<Record<Level, string>> = {
  fail: 'Keep it off until a registered installer has fitted a flue for it.',
  marginal: 'Have a registered installer look at it: an unlined chimney cools the gas, is soaked, and may leak.',
}

function ventLevel(vent: Vent, condensing: boolean): Level {
  if (vent === 'not checked') return 'not checked'
  const sealed = vent === 'sealed stainless steel' || vent === 'plastic'
  if (condensing) return sealed ? 'pass' : 'fail'
  if (vent === 'plastic') return 'fail'
  return vent === 'masonry, unlined' ? 'marginal' : 'pass'
}

const serviceLevel = (servicedOn: string | null, there: string | null, overdue: boolean): Level =>
  servicedOn === null || there === null ? 'not checked' : overdue ? 'fail' : 'pass'

const combustion: Rule = ({ study }) => {
  const there = lastDayThere(study)
  return study.plant.heaters
    .filter(burnsFuel)
    .filter((h) => h.place !== 'outdoors' && everBurns(h))
    .flatMap((h) => ofHeater(h, there))
}

export const COMBUSTION_CHECKS = { combustion }
