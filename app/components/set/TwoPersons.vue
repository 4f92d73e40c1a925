<script setup lang="ts">
import { Send, Users } from '@lucide/vue'
import { useIntervalFn } from '@vueuse/core'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { FIELDS } from '~~/core/calculators/fields'

/** One at the outlet, one at the dial: lines between two open pages by a short code, relayed by this server and stored nowhere. */
interface Line {
  n: number
  from: 'outlet' | 'dial'
  text: string
  c: number | null
}
const emit = defineEmits<{ heard: [c: number] }>()
const table = useStudy()
const code = ref<string | null>(null)
const typedCode = ref('')
const me = ref<'outlet' | 'dial'>('dial')
const lines = ref<Line[]>([])
const trouble = ref('')
const c = ref<number | null>(null)
const SAYINGS = { outlet: ['Drawing now', 'Closed', 'Steady'], dial: ['Draw off', 'Close', 'It stopped'] } as const

async function ask<T>(body: object): Promise<T | null> {
  try {
    const answer = await fetch('/api/relay', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) {
      trouble.value =
        answer.status === 404 ? 'No visit has this code, or it is over.' : 'The server relays nothing now.'
      return null
    }
    trouble.value = ''
    return (await answer.json()) as T
  } catch {
    trouble.value = 'No network to the server: tell each other by voice, or hand over the file.'
    return null
  }
}
const hear = async () => {
  if (!code.value) return
  const answer = await ask<{ lines: Line[] }>({ does: 'hear', code: code.value, after: lines.value.at(-1)?.n ?? 0 })
  for (const line of answer?.lines ?? []) {
    lines.value = [...lines.value, line]
    if (line.c !== null && line.from !== me.value) emit('heard', line.c)
  }
}
const { pause, resume } = useIntervalFn(() => void hear(), 1000, { immediate: false })
async function start() {
  const answer = await ask<{ code: string }>({ does: 'open' })
  if (answer) join(answer.code, 'dial')
}
async function enter() {
  const answer = await ask<{ lines: Line[] }>({ does: 'hear', code: typedCode.value.trim(), after: 0 })
  if (answer) join(typedCode.value.trim().toUpperCase(), 'outlet')
}
function join(with_: string, as: 'outlet' | 'dial') {
  code.value = with_
  me.value = as
  lines.value = []
  resume()
}
const say = async (text: string, read: number | null) => {
  if (await ask({ does: 'say', code: code.value, from: me.value, text, c: read })) await hear()
}
async function sayRead() {
  await say('reads', c.value)
  c.value = null
}
function leave(ends: boolean) {
  pause()
  if (ends && code.value) void ask({ does: 'end', code: code.value })
  code.value = null
}
onUnmounted(() => leave(false))
</script>

<template>
  <section aria-label="Two persons" class="border-y border-line-strong py-3">
    <h2 class="flex items-center gap-2 text-base"><Users :size="18" />Two persons, two devices</h2>
    <template v-if="code === null">
      <p class="caption">One at the dial starts and says the code; one at the outlet enters it. Nothing is stored.</p>
      <div class="mt-1 flex flex-wrap items-end gap-3">
        <button class="tool" @click="start">Start at the dial</button>
        <TextField
          class="w-40"
          label="Code of the visit"
          optional
          :value="typedCode"
          @change="(v) => (typedCode = v)"
        />
        <button class="tool" :disabled="!typedCode.trim()" @click="enter">Join at the outlet</button>
      </div>
    </template>
    <template v-else>
      <p>
        Code <b class="text-2xl tracking-widest" data-code>{{ code }}</b>
        <span class="caption ml-2">you are at the {{ me }}</span>
      </p>
      <ul role="log" aria-label="Lines" class="mt-1 max-h-48 overflow-y-auto" tabindex="0">
        <li v-for="l in lines" :key="l.n" data-line>
          <span class="caption">{{ l.from }}</span> {{ l.text }}
          <b v-if="l.c !== null">{{ table.units.temperature(l.c) }}</b>
        </li>
      </ul>
      <div class="mt-2 flex flex-wrap items-end gap-2">
        <button v-for="s in SAYINGS[me]" :key="s" class="tool" @click="say(s, null)">{{ s }}</button>
        <template v-if="me === 'outlet'">
          <NumberField
            class="w-36"
            label="Outlet reads"
            quantity="temperature"
            optional
            :schema="FIELDS.hotC"
            :value="c"
            @change="(v) => (c = v)"
          />
          <button class="tool tool-main" :disabled="c === null" @click="sayRead"><Send :size="17" />Send</button>
        </template>
        <ChoiceField
          class="w-32"
          label="You are at the"
          :value="me"
          :choices="[
            { value: 'outlet', name: 'outlet' },
            { value: 'dial', name: 'dial' },
          ]"
          @change="(v) => (me = v)"
        />
        <button class="tool tool-bare" @click="leave(true)">End</button>
      </div>
    </template>
    <p v-if="trouble" role="alert" class="mt-1 text-sm text-alarm">{{ trouble }}</p>
  </section>
</template>
