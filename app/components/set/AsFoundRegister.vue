<script setup lang="ts">
import { Printer, RotateCcw } from '@lucide/vue'
import DateField from '~/components/fields/DateField.vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { localDay } from '~/utils/local-iso'
import { type Change, changesBetween, restoreFound } from '~~/core/household/changes'
import { type Setting, settingsOf, wasChanged } from '~~/core/household/register'

/** The register of every setting: what was found, what stands now, and the way back. */
const table = useStudy()
const study = computed(() => table.study!)
const all = computed(() => settingsOf(study.value))
const changed = computed(() => all.value.filter(wasChanged).length)
const showsAll = ref(false)
const listed = computed(() => all.value.filter((s) => s.inUse || wasChanged(s)))
const rows = computed(() => (showsAll.value ? all.value : listed.value))
const text = (s: Setting, value: unknown) => s.say(value, table.units)
const print = () => window.print()
const restore = (path: string | null) => table.replace((s) => restoreFound(s, path, localDay()))
const log = computed(() =>
  changesBetween(study.value)
    .sort((a, b) => b.change.on.localeCompare(a.change.on))
    .map(({ change, setting }) => ({
      change,
      key: `${change.on} ${change.as} ${change.path}`,
      text: `${setting.what} of ${setting.place}: ${text(setting, change.from)} to ${text(setting, change.to)}`,
    })),
)
/** Who made a change, why, and what the display showed then stands beside it. */
const note = (change: Change, what: 'by' | 'why' | 'shows', value: string) =>
  table.change(`${what} of a change`, (d) => {
    const at = d.controls.changes.find((c) => c.on === change.on && c.path === change.path && c.as === change.as)
    if (at) at[what] = value
  })
</script>

<template>
  <section aria-label="As found">
    <h1 class="hidden text-2xl print:block">{{ study.name }}</h1>
    <div class="flex flex-wrap items-end justify-between gap-2">
      <div>
        <h2 class="text-xl">As found and as set</h2>
        <p class="caption">
          {{ changed === 0 ? 'No changes.' : `${changed} of ${all.length} settings differ from as found.` }}
        </p>
      </div>
      <div class="flex flex-wrap items-end gap-2">
        <DateField
          label="Found on"
          :value="study.controls.foundOn"
          @change="(v) => table.change('found on', (d) => void (d.controls.foundOn = v))"
        />
        <DateField
          label="Set on"
          :value="study.controls.setOn"
          @change="(v) => table.change('set on', (d) => void (d.controls.setOn = v))"
        />
        <button class="tool print:hidden" :disabled="study.controls.set === null" @click="restore(null)">
          <RotateCcw :size="17" />Restore all as found
        </button>
        <button class="tool print:hidden" @click="print"><Printer :size="17" />Print register</button>
      </div>
    </div>
    <div
      class="mt-2 relative overflow-x-auto"
      tabindex="0"
      role="region"
      aria-label="Register of settings, in a table that scrolls sideways"
    >
      <table class="w-full text-sm">
        <thead>
          <tr class="border-b border-ink text-left">
            <th class="py-1 pr-2">Where</th>
            <th class="pr-2">Setting</th>
            <th class="pr-2">Found</th>
            <th class="pr-2">Now</th>
            <th><span class="sr-only">Restore</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in rows" :key="s.path" class="border-b border-line" :data-setting="s.path">
            <td class="py-1 pr-2">{{ s.place }}</td>
            <td class="pr-2">{{ s.what }}</td>
            <td class="pr-2">{{ text(s, s.found) }}</td>
            <td class="pr-2" :class="{ 'font-semibold text-copper': wasChanged(s) }">
              {{ wasChanged(s) ? text(s, s.now) : 'unchanged' }}
            </td>
            <td class="text-right">
              <button
                v-if="wasChanged(s)"
                class="tool tool-bare mt-0 px-2 text-sm"
                :aria-label="`Restore: ${s.what} of ${s.place}`"
                @click="restore(s.path)"
              >
                <RotateCcw :size="15" />Restore
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <label v-if="all.length > listed.length" class="flex min-h-11 w-fit items-center gap-2 text-sm print:hidden">
      <input v-model="showsAll" type="checkbox" class="size-5 accent-copper" />Show
      {{ all.length - listed.length }} unused settings
    </label>
    <ul v-if="log.length" class="mt-3 hidden text-sm print:block" data-printed>
      <li v-for="c in log" :key="c.key" class="border-b border-line py-1">
        <b>{{ c.change.on }}</b> {{ c.text }}{{ c.change.as === 'found' ? ' entered as found' : ''
        }}{{ c.change.by && `; who: ${c.change.by}` }}{{ c.change.why && `; why: ${c.change.why}`
        }}{{ c.change.shows && `; display after: ${c.change.shows}` }}
      </li>
    </ul>
    <details v-if="log.length" class="mt-2 print:hidden">
      <summary class="cursor-pointer py-2.5 text-sm font-semibold text-copper">
        {{ log.length === 1 ? '1 change' : `${log.length} changes` }}, by date
      </summary>
      <ul class="text-sm">
        <li v-for="c in log" :key="c.key" class="border-b border-line py-1">
          <p data-logged>
            <b>{{ c.change.on }}</b>
            {{ c.text }}<span v-if="c.change.as === 'found'" class="caption"> entered as found</span>
          </p>
          <div class="grid gap-2 sm:grid-cols-[12rem_minmax(0,1fr)_14rem]">
            <TextField
              :label="c.text"
              short="Who"
              optional
              :value="c.change.by"
              @change="(v) => note(c.change, 'by', v)"
            />
            <TextField
              :label="c.text"
              short="Why"
              optional
              :value="c.change.why"
              @change="(v) => note(c.change, 'why', v)"
            />
            <TextField
              :label="c.text"
              short="Display after"
              optional
              :value="c.change.shows"
              @change="(v) => note(c.change, 'shows', v)"
            />
          </div>
        </li>
      </ul>
    </details>
  </section>
</template>
