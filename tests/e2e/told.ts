import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { bagno } from '../../cli/program'
import { writeStudy } from '../../core/study/read'
import { keptIn } from './attacks'

/** What the command line says of a household as the browser keeps it. @example told(page, 'duplex', 'compare', '--pairs') */
export async function told<T>(page: Page, household: string, command: string, ...options: string[]): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'bagno-told-'))
  try {
    const file = join(folder, 'kept.json')
    const kept = (await keptIn(page, household))!
    // The browser keeps pictures apart; no figure goes by them.
    writeFileSync(file, writeStudy({ ...kept, readings: kept.readings.map((r) => ({ ...r, photo: null })) }))
    return JSON.parse((await bagno([command, file, ...options, '--json'])).stdout) as T
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
