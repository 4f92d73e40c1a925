import { type Component, defineAsyncComponent, ref } from 'vue'

/** Pieces of the page that are on their way: what shows them says that it is busy. */
export const onTheWay = ref(0)

/** A component that is fetched when it is first shown. */
export const lazy = <T extends Component>(load: () => Promise<{ default: T }>) =>
  defineAsyncComponent(async () => {
    onTheWay.value++
    try {
      return await load()
    } finally {
      onTheWay.value--
    }
  })
