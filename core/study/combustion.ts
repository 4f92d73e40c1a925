import { z } from '../schema/zod'
import { Day, YesNoUnknown } from './fields'

/** How a fire's flue gas leaves: a flue open to the room draws its air from there, a room-sealed one from outdoors. */
export const FLUES = ['not checked', 'open', 'room-sealed'] as const
/** What a flue is made of, which decides what may burn into it. */
export const VENTS = [
  'not checked',
  'masonry, unlined',
  'metal liner or pipe',
  'sealed stainless steel',
  'plastic',
] as const
export type Vent = (typeof VENTS)[number]
/** What keeps flue gas out of the room, as somebody has seen it. */
export const combustion = {
  combustion: z.strictObject({
    flue: z.enum(FLUES),
    vent: z.enum(VENTS),
    /** The room lets in the air that an open flue needs. */
    airOpen: YesNoUnknown,
    /** A fan draws air out of the same room: a hood, a dryer, a bathroom's. */
    extractor: YesNoUnknown,
    /** A carbon monoxide alarm is there and was tried. */
    alarm: YesNoUnknown,
    /** Last service that somebody wrote down. */
    servicedOn: Day.nullable(),
  }),
}
