/** A short message at the foot of the page, with a way back where there is one. */
export interface Notice {
  text: string
  undo?: () => void | Promise<void>
}

const notice = shallowRef<Notice | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined

export function useNotice() {
  function say(next: Notice) {
    notice.value = next
    clearTimeout(timer)
    timer = setTimeout(() => (notice.value = null), next.undo ? 12_000 : 6_000)
  }
  return { notice: readonly(notice), say, clear: () => (notice.value = null) }
}
