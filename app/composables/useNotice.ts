/** A short message at the foot of the page, with a way on or back where there is one. */
export interface Notice {
  text: string
  way?: { label: string; take: () => void | Promise<void> }
  /** It stays until it is dismissed. */
  lasts?: boolean
}

const notice = shallowRef<Notice | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined

export function useNotice() {
  function say(next: Notice) {
    notice.value = next
    clearTimeout(timer)
    if (!next.lasts) timer = setTimeout(() => (notice.value = null), next.way ? 12_000 : 6_000)
  }
  return { notice: readonly(notice), say, clear: () => (notice.value = null) }
}
