import { DEMOS } from '../../core/demos/index'

/** The demo studies, whole. */
export default defineEventHandler(() => DEMOS.map(({ study, shows }) => ({ name: study.id, shows, study })))
