<script setup lang="ts">
import { Download, Printer } from '@lucide/vue'
import { handAs } from '~/utils/files'

/** A paper as it will be printed: a file that opens by itself, shown, printed and handed over as it is. */
const props = defineProps<{ title: string; html: string; file: string }>()
const frame = ref<HTMLIFrameElement | null>(null)
const print = () => frame.value?.contentWindow?.print()
const save = () => handAs(props.html, `${props.file}.html`, 'text/html')
/** As tall as what it holds: the page scrolls, not the paper. */
const height = ref(900)
const fit = () => void (height.value = (frame.value?.contentDocument?.documentElement.scrollHeight ?? 880) + 20)
</script>

<template>
  <div>
    <div class="flex flex-wrap gap-2">
      <button class="tool tool-main" @click="print"><Printer :size="17" />Print or save as PDF</button>
      <button class="tool" @click="save"><Download :size="17" />Save as HTML</button>
    </div>
    <iframe
      ref="frame"
      :title="title"
      :srcdoc="html"
      sandbox="allow-same-origin allow-modals"
      class="mt-3 w-full border border-line-strong bg-white"
      :style="{ height: `${height}px` }"
      @load="fit"
    />
  </div>
</template>
