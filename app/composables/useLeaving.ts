import { useEventListener } from '@vueuse/core'

/** Does something when what is on screen goes away: another page, another stage, a closed or hidden tab. */
export function useLeaving(leave: () => void) {
  onBeforeUnmount(leave)
  useEventListener(window, 'pagehide', leave)
  useEventListener(document, 'visibilitychange', () => document.visibilityState === 'hidden' && leave())
}
