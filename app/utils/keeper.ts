import type { Study } from '~~/core/study/study'

/** While something is slid, what it stands at is written at least this often, ms. */
const SLIDING_MS = 300
/** What could not be kept is tried again after this, ms. */
const AGAIN_MS = 4000

/**
 * Keeps studies as they change. A single change is written at once; what changes while a write is under way waits for it and
 * only the last of it is written; of a slider's many moves some are. Nothing of one study waits for another to be opened.
 */
export class Keeper {
  private readonly due = new Map<string, Study>()
  private writing: Promise<void> | null = null
  private timer: ReturnType<typeof setTimeout> | undefined

  /**
   * @param write keeps one study; it rejects when that failed and may be tried again
   * @param state is told what of the work is kept
   */
  constructor(
    private readonly write: (study: Study) => Promise<void>,
    private readonly state: (state: 'kept' | 'keeping' | 'failed') => void,
  ) {}

  put(study: Study, sliding: boolean): void {
    this.due.set(study.id, study)
    this.state('keeping')
    if (sliding) this.timer ??= setTimeout(() => this.flush(), SLIDING_MS)
    else this.flush()
  }

  /** Whether something is not kept yet. */
  get busy(): boolean {
    return this.due.size > 0 || this.writing !== null
  }

  /** Writes what is due as soon as the write under way has ended. */
  flush(): void {
    clearTimeout(this.timer)
    this.timer = undefined
    if (this.writing) return
    const [next] = this.due.values()
    if (!next) return
    this.due.delete(next.id)
    this.writing = this.write(next).then(
      () => this.after(true),
      () => {
        // A later state of it may be due already.
        if (!this.due.has(next.id)) this.due.set(next.id, next)
        this.after(false)
      },
    )
  }

  private after(kept: boolean): void {
    this.writing = null
    if (!kept) {
      this.state('failed')
      this.timer ??= setTimeout(() => this.flush(), AGAIN_MS)
    } else if (this.due.size === 0) this.state('kept')
    else this.flush()
  }

  /** Drops what of a study is due: it was deleted. */
  forget(id: string): void {
    this.due.delete(id)
  }

  /** Waits until all that can be kept is. */
  async settled(): Promise<void> {
    this.flush()
    while (this.writing) await this.writing
  }
}
