import type { TestProject } from 'vitest/node'
import { startApp } from './browser'

declare module 'vitest' {
  interface ProvidedContext {
    url: string
  }
}

/** One server of the built app for all interface tests. */
export default async function setup(project: TestProject) {
  const app = await startApp()
  project.provide('url', app.url)
  return app.stop
}
