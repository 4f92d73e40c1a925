/** An id that is not taken yet. @example freshId('run', ['run-1']) // "run-2" */
export function freshId(stem: string, taken: readonly { id: string }[]): string {
  for (let n = 1; ; n++) if (!taken.some(({ id }) => id === `${stem}-${n}`)) return `${stem}-${n}`
}
