import { useScheme } from '~/composables/useScheme'
import { type Ink, inks } from '~/utils/charts'

/** Colours for what is drawn on a canvas, anew when the page turns dark or light. */
export function useInks() {
  const { dark } = useScheme()
  const all = shallowRef<Record<Ink, string>>(inks())
  // The page turns with the next frame; its colours are read after that.
  watch(dark, () => requestAnimationFrame(() => (all.value = inks())), { flush: 'post' })
  return all
}
