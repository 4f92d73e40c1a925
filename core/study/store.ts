import { MATERIALS } from '../pipes/catalogue'
import { z } from '../schema/zod'
import { INLETS } from '../stores/connections'
import { LABEL_CLASSES } from '../stores/standing-loss'
import { AirC, between, DataSource, Name, Share, YesNoUnknown } from './fields'
import { MixingValve } from './mixing'
import { InsulationField, withSize } from './pipes'
import { PlaceField } from './site'

/** What opens a relief valve: one that feels pressure alone does not limit the temperature. */
export const RELIEF_KINDS = ['not checked', 'temperature and pressure', 'pressure only'] as const
export type ReliefKind = (typeof RELIEF_KINDS)[number]

export const StoreField = z.strictObject({
  name: Name,
  place: PlaceField,
  /** Air around it as somebody measured it, °C at all times; null: what is usual where it stands. */
  ambientC: AirC.nullable(),
  litres: between(5, 5000),
  heightM: between(0.2, 5),
  loss: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('ua'), uaWK: between(0, 100) }),
    z.strictObject({ kind: z.literal('test'), kwhDay: between(0, 50), riseK: between(10, 80) }),
    z.strictObject({ kind: z.literal('label'), label: z.enum(LABEL_CLASSES) }),
  ]),
  /** Year on its plate; null: not read. */
  madeYear: z.int().min(1950).max(2100).nullable(),
  /** Whose the figures of its loss and its contents are. */
  dataSource: DataSource,
  /** Height of the thermostat's sensor. */
  sensorHeight: Share,
  /** Share of the store that entering cold water stirs. */
  inletMix: between(0, 0.3),
  /**
   * The pipes at its top and its cold inlet: whether heat traps, or pipes that fall first, keep their water from turning over;
   * where the cold enters, and its first length; null: not looked.
   */
  connections: z.strictObject({
    heatTraps: YesNoUnknown,
    inlet: withSize(
      z.strictObject({
        at: z.enum(INLETS),
        material: z.enum(MATERIALS),
        size: z.string(),
        insulation: InsulationField.nullable(),
      }),
    ).nullable(),
  }),
  /** A mixing valve at the store that guards every tap. */
  mixing: MixingValve,
  /** A relief valve is there. */
  reliefValve: YesNoUnknown,
  /** Its discharge is piped to a safe place. */
  reliefPiped: YesNoUnknown,
  /** What opens it. */
  reliefKind: z.enum(RELIEF_KINDS),
  /** Pressure at which it opens, as it is written on it, bar; null: not read. */
  reliefBar: between(0.5, 16).nullable(),
  /** Temperature at which it opens, where one does open it, °C. */
  reliefC: between(80, 99),
  /** Something can be shut between store and relief valve. */
  valveBeforeRelief: YesNoUnknown,
  /** The relief valve feels the top of the store, where it is hottest. */
  reliefAtTop: YesNoUnknown,
  /**
   * Its discharge: as wide as the valve all the way, falling all the way, ending where it is seen, the drain takes it, nobody
   * is in its way; and who in the house looks whether it drips; empty: nobody was named.
   */
  discharge: z.strictObject({
    fullSize: YesNoUnknown,
    falls: YesNoUnknown,
    endSeen: YesNoUnknown,
    drained: YesNoUnknown,
    covered: YesNoUnknown,
    watchedBy: z.string().max(120),
  }),
})

export type Store = z.infer<typeof StoreField>
