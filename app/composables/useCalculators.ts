/** Whether the pocket of sums is open, and at which sum. Shared by the button, the shortcut and the drawer. */
const open = ref(false)
const at = ref<string | null>(null)

export const useCalculators = () => ({ open, at })
