import { z } from 'zod'
import { StudyShape } from '../core/study/shape'

/** The study document as JSON Schema. What the parts of a study owe each other is checked on top, on reading. */
export const studySchema = () => ({ title: 'Bagno study', ...z.toJSONSchema(StudyShape, { io: 'input' }) })
