<script setup lang="ts">
import { Camera } from '@lucide/vue'
import { useStudy } from '~/stores/study'
import { smallPicture } from '~/utils/pictures'
import { MOST_PICTURES, picturesTake } from '~~/core/study/readings'

/** A picture taken or chosen, made small enough to travel with the study. */
const props = defineProps<{
  label: string
  photo: string | null
  /** Takes the picture; asked of it, not told to it, since a picture may be ready after its form has gone. */
  put: (photo: string) => void
}>()
const emit = defineEmits<{
  /** A picture is being made; resolves once it is there, to whether it could be read. */
  making: [done: Promise<boolean> | null]
}>()
const table = useStudy()
const id = useId()
const making = shallowRef<Promise<boolean> | null>(null)
const trouble = ref('')
/** Share of the room for pictures that is used, this one included. */
const used = computed(() => (picturesTake(table.study!.readings) + (props.photo?.length ?? 0)) / MOST_PICTURES)
function take(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  trouble.value = ''
  if (!file) return
  const { put } = props
  const mine = smallPicture(file)
    // It belongs to what was open then, whatever is open by now.
    .then((small) => (put(small), true))
    .catch(() => {
      trouble.value = 'Picture cannot be read. Accepts JPEG, PNG or WebP.'
      return false
    })
    .finally(() => {
      if (making.value !== mine) return
      making.value = null
      emit('making', null)
    })
  making.value = mine
  emit('making', mine)
}
</script>

<template>
  <div>
    <label class="caption block" :for="id">{{ label }}</label>
    <div class="flex items-center gap-2">
      <label class="tool focus-within:outline-2 focus-within:outline-copper"
        ><Camera :size="18" />Take or choose a picture<input
          :id="id"
          type="file"
          accept="image/*"
          capture="environment"
          class="sr-only"
          @change="take"
      /></label>
      <img v-if="photo" :src="photo" alt="The picture taken" class="h-11 rounded-sm" />
      <span v-if="making" class="caption" role="status">resizing…</span>
    </div>
    <p v-if="used > 0.7" class="caption mt-1">
      Pictures use {{ Math.round(used * 100) }}% of the {{ MOST_PICTURES / 1e6 }} MB available in a study.
    </p>
    <p v-if="trouble" class="mt-1 text-sm text-alarm" role="alert">{{ trouble }}</p>
  </div>
</template>
