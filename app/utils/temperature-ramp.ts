import { interpolateLab } from 'd3-interpolate'
import { scaleLinear } from 'd3-scale'

/** Water temperatures at which the ramp has its stops, °C. */
const RAMP_STOPS_C = [5, 20, 35, 50, 65, 80]
const RAMP_COLOURS = ['#e3edf0', '#c3d6d6', '#d9b583', '#c07338', '#8b3d17', '#4f1a0d']
/** In the dark the same way from slate to copper, paler as it gets hotter: the hottest is what is seen first there too. */
const DARK_RAMP_COLOURS = ['#2c3d44', '#46595b', '#7d6440', '#bd7a45', '#e6a878', '#fbe3d0']

/**
 * Colour of water at a temperature: a continuous ramp that only gets darker as it gets hotter, from pale slate through
 * sand and copper to burnt umber. Its lightness alone orders it, so it reads in grey and without red or green.
 */
const rampOf = (colours: string[]) =>
  scaleLinear<string>().domain(RAMP_STOPS_C).range(colours).interpolate(interpolateLab).clamp(true)
const ramp = rampOf(RAMP_COLOURS)
const darkRamp = rampOf(DARK_RAMP_COLOURS)

/** The same; water that nobody knows yet has the colour of the paper. */
export const waterColour = (tempC: number | null) =>
  tempC === null ? 'var(--color-plaster-deep)' : `light-dark(${ramp(tempC)}, ${darkRamp(tempC)})`

/** Ink that can be read on a colour of the ramp. */
export const inkOn = (tempC: number) =>
  `light-dark(${tempC >= 46 ? '#fffdf8' : '#25221d'}, ${tempC >= 42 ? '#000' : '#fff'})`
