import { useLeaving } from '~/composables/useLeaving'
import { useStudy } from '~/stores/study'
import { halfTyped, noteTyped } from '~/utils/half-typed'

/** Places that a field on the screen has. */
const taken = new Set<string>()

/** Where a field stands: the names of all that it stands in, its own, and which it is of those called the same. */
function placeOf(field: Element, label: string): string {
  const names = [label]
  for (let at = field.parentElement; at; at = at.parentElement) {
    const name = at.getAttribute('aria-label')
    if (name) names.unshift(name)
  }
  const place = names.join(' › ')
  let nth = 1
  while (taken.has(`${place} ${nth}`)) nth++
  return `${place} ${nth}`
}

/**
 * What is being typed into a field and has not been taken yet. It outlasts a browser that is killed a second later: then it
 * stands in its field again, and is taken when that is left. A page that goes takes it. What another tab, or an undo, changes
 * meanwhile does not drop it while somebody is in the field.
 * @param label of the field; @param value that it shows; @param commit takes what was typed
 */
export function useTyped(label: () => string, value: () => unknown, commit: () => void) {
  const table = useStudy()
  const typed = ref<string | null>(null)
  /** It was typed before the browser went. */
  const again = ref(false)
  const instance = getCurrentInstance()!
  const element = () => instance.proxy?.$el as Element
  let studyId = ''
  let place = ''
  let before: string | undefined
  onMounted(async () => {
    // What is asked before a household begins belongs to none.
    if (!table.study || table.begun) return
    studyId = table.study.id
    place = placeOf(element(), label())
    taken.add(place)
    element().addEventListener('focusout', () => again.value && commit())
    before = await halfTyped(studyId, place)
    if (before === undefined || typed.value !== null) return
    // Some fields take what is typed while it is: then it is there already.
    if (before.trim() === String(value() ?? '')) return void noteTyped(studyId, place, null)
    again.value = true
    typed.value = before
  })
  watch(typed, (text) => {
    // Whoever types on has it in hand.
    if (text !== before) again.value = false
    if (place) void noteTyped(studyId, place, text)
  })
  onBeforeUnmount(() => taken.delete(place))
  useLeaving(() => {
    if (!again.value) commit()
  })
  watch(value, () => {
    if (!element().contains(document.activeElement)) typed.value = null
  })
  return { typed, again }
}
