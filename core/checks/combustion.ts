import { daysSince1970 } from '../calendar/year'
import { lastDayThere } from '../household/last-day'
import { type Burning, burnsFuel, everBurns } from '../study/heater-kinds'
import { answered, type Level, type Rule, saidOf, type Told } from './check'

/** A service stands for so many days. */
const SERVICE_DAYS = 400
const SOURCE = 'Carbon monoxide; local code and the maker’s papers'
const dayOf = (iso: string): number =>
  daysSince1970(Number(iso.slice(0, 4)), Number(iso.slice(5, 7)), Number(iso.slice(8, 10))) ?? 0

/** Flue, air and alarm of everything that burns fuel indoors. A flue that draws on the room can be turned back by a fan. */
function ofHeater(h: Burning, there: string | null): Told[] {
  const { flue, airOpen, extractor, alarm, servicedOn } = h.combustion
  const roomSealed = flue === 'room-sealed'
  const look = `Look, and say so under ${h.name}.`
  const at = {
    subject: { kind: 'heater', id: h.id },
    concern: 'harm',
    cause: { id: `combustion-${h.id}`, title: `Carbon monoxide at ${h.name}` },
    source: SOURCE,
  } as const
  const overdue = servicedOn !== null && there !== null && dayOf(there) - dayOf(servicedOn) > SERVICE_DAYS
  return [
    {
      ...at,
      id: `flue-${h.id}`,
      level: flue === 'not looked' ? 'not checked' : 'pass',
      title: `Flue of ${h.name}`,
      sentence:
        flue === 'not looked'
          ? 'Not checked.'
          : roomSealed
            ? 'Room-sealed: it draws its air from outdoors.'
            : 'Open to the room: it draws its air from there.',
      remedy: look,
      asks: `plant.heaters.${h.id}.combustion.flue`,
    },
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
              'The room lets in the air it burns.',
              'The room does not let in the air it burns: it can fill with carbon monoxide.',
            ),
            remedy: airOpen === false ? 'It stays off until the licensed have opened a way for air.' : look,
            asks: `plant.heaters.${h.id}.combustion.airOpen`,
          },
          {
            ...at,
            id: `extractor-${h.id}`,
            level: answered(extractor, false),
            title: `Fan in the room of ${h.name}`,
            sentence: saidOf(
              extractor,
              'A fan draws air out of the same room and can turn the flue back.',
              'No fan draws air out of the same room.',
            ),
            remedy: extractor ? 'The licensed try the flue with every fan running, or the fan is taken out.' : look,
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
      sentence: saidOf(alarm, 'There is one, and it was tried.', 'There is none that works.'),
      remedy: alarm === false ? 'Fit one as local code asks, and try it.' : look,
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
          ? 'Its last service is not written down.'
          : `Last serviced on ${servicedOn}${there === null ? '; no day of the visit is written down to hold that against' : ''}.`,
      remedy:
        overdue || servicedOn === null
          ? 'Have it serviced by the licensed, and write down the day.'
          : 'Write down the day of the visit.',
      asks: `plant.heaters.${h.id}.combustion.servicedOn`,
    },
  ]
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
