import { useResizeObserver } from '@vueuse/core'

/** Width of an element, px; 0 until it has been laid out. It is told, not asked for: asking lays the page out at once. */
export function useBoxWidth(box: Readonly<Ref<HTMLElement | null>>): Readonly<Ref<number>> {
  const width = ref(0)
  useResizeObserver(box, ([entry]) => (width.value = entry!.contentRect.width))
  return width
}
