import { mkdirSync, writeFileSync } from 'node:fs'
import { licencesPage } from './licences'
import { limitsPage } from './limits'
import { studySchema } from './study-schema'
import { validationPage } from './validation'

/** Writes what is published about the study file and the engine's proof. Nothing here is edited by hand. */
mkdirSync('docs', { recursive: true })
writeFileSync('docs/study.schema.json', `${JSON.stringify(studySchema(), null, 2)}\n`)
writeFileSync('docs/validation.md', validationPage())
writeFileSync('docs/limits.md', limitsPage())
writeFileSync('docs/licences.md', licencesPage())
