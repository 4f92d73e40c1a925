import { useColorMode } from '@vueuse/core'

/** Light for a desk and dark for a cellar: by the system's choice, or by hand. */
export const SCHEMES = [
  { value: 'auto', name: 'As the system' },
  { value: 'light', name: 'Light' },
  { value: 'dark', name: 'Dark' },
] as const
export type Scheme = (typeof SCHEMES)[number]['value']

const kept = () =>
  useColorMode({
    attribute: 'data-scheme',
    storageKey: 'bagno-scheme',
    initialValue: 'auto',
    // It would add a style of its own to the page.
    disableTransition: false,
  })
let mode: ReturnType<typeof kept> | undefined

/** The scheme that was chosen, and whether the page is dark now. One for the whole page. */
export function useScheme() {
  mode ??= kept()
  const { store, state } = mode
  return { chosen: store as Ref<Scheme>, dark: computed(() => state.value === 'dark') }
}
