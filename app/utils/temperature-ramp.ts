import { interpolateLab } from 'd3-interpolate'
import { scaleLinear } from 'd3-scale'

/** Water temperatures at which the ramp has its stops, °C. */
const RAMP_STOPS_C = [5, 20, 35, 50, 65, 80]
const RAMP_COLOURS = ['#e3edf0', '#c3d6d6', '#d9b583', '#c07338', '#8b3d17', '#4f1a0d']

/**
 * Colour of water at a temperature: a continuous ramp that only gets darker as it gets hotter, from pale slate through
 * sand and copper to burnt umber. Its lightness alone orders it, so it reads in grey and without red or green.
 */
const ramp = scaleLinear<string>().domain(RAMP_STOPS_C).range(RAMP_COLOURS).interpolate(interpolateLab).clamp(true)

/** The same; water that nobody knows yet has the colour of the paper. */
export const waterColour = (tempC: number | null) => (tempC === null ? 'var(--color-plaster-deep)' : ramp(tempC))

/** Ink that can be read on a colour of the ramp. */
export const inkOn = (tempC: number) => (tempC >= 46 ? '#fffdf8' : '#25221d')
