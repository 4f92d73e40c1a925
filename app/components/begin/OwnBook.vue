<script setup lang="ts">
import { Download, FileUp, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useNotice } from '~/composables/useNotice'
import { useOwn } from '~/stores/own'
import { exportBook, importBook } from '~/utils/files'
import type { BookLine } from '~~/core/household/engineer/defaults'
import { lineOf } from '~~/core/household/engineer/price-book'
import { usualParts } from '~~/core/measures/price-book'
import { atLikely, PriceEach } from '~~/core/study/economics'
import type { Fault } from '~~/core/units/result'

/** What parts and hours cost this engineer, for every household. */
const props = defineProps<{ currency: string }>()
const own = useOwn()
const { say } = useNotice()
const book = computed(() => own.defaults.book)
const lines = computed(() =>
  Object.entries(book.value).sort(([, a], [, b]) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0)),
)
const parts = computed(() => usualParts(own.defaults).filter((p) => !Object.hasOwn(book.value, p.key)))
const chosen = ref('')
const choices = computed(() => [
  { value: '', name: 'choose a part' },
  ...parts.value.map((p) => ({ value: p.key, name: `${p.name} (${p.unit})` })),
])
/** A part that is chosen has no line until it has a price. */
const adding = computed(() => parts.value.find((p) => p.key === chosen.value) ?? null)
const put = (key: string, line: BookLine) => own.change({ book: { ...book.value, [key]: line } })
function add(price: number | null) {
  if (price === null || !adding.value) return
  void put(adding.value.key, lineOf(adding.value, price))
  chosen.value = ''
}
const likely = (key: string, line: BookLine, price: number) => put(key, { ...line, ...atLikely(line, price) })
/** What a price is for. @example "per piece of 2.0 m" */
const perText = (unit: string) => (unit ? `per ${unit.replace(/^pieces/, 'piece')}` : '')
function remove(key: string) {
  const before = own.defaults
  const { [key]: gone, ...others } = book.value
  void own.change({ book: others })
  say({ text: `“${gone!.name}” removed from the price book.`, way: { label: 'Undo', take: () => own.keep(before) } })
}

const picker = ref<HTMLInputElement | null>(null)
const refused = shallowRef<Fault[]>([])
async function onPick(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  refused.value = []
  if (file) {
    const read = await importBook(file)
    if (read.ok) {
      const before = own.defaults
      await own.change({ book: read.value })
      say({ text: `Imported the price book “${file.name}”.`, way: { label: 'Undo', take: () => own.keep(before) } })
    } else refused.value = read.faults
  }
  input.value = ''
}
</script>

<template>
  <section aria-label="Price book">
    <h2>Price book, {{ props.currency }}</h2>
    <p class="caption mb-2">
      Parts and hours of every household that has no offer of its own for them. Low and high make the cost of a package
      a range.
    </p>
    <div v-if="refused.length" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
      <p class="font-semibold">The price list was not imported. The price book is as it was.</p>
      <ul class="mt-1 text-sm">
        <li v-for="(f, i) in refused" :key="i">
          <b v-if="f.path">{{ f.path }}: </b>{{ f.message }}
        </li>
      </ul>
    </div>
    <ul v-if="lines.length">
      <li v-for="[key, line] in lines" :key="key">
        <div
          role="group"
          :aria-label="line.name"
          class="grid grid-cols-3 items-end gap-x-3 border-b border-line py-1.5 sm:grid-cols-[minmax(0,1fr)_6.5rem_6.5rem_6.5rem_2.75rem]"
          :data-book="key"
        >
          <p class="pb-2.5 text-sm max-sm:col-span-3">
            {{ line.name }}<span class="caption block">{{ perText(line.unit) }}</span>
          </p>
          <NumberField
            label="Low"
            :schema="PriceEach.max(line.likely)"
            :decimals="2"
            :value="line.low"
            @change="(v) => put(key, { ...line, low: v! })"
          />
          <NumberField
            label="Likely"
            :schema="PriceEach"
            :decimals="2"
            :value="line.likely"
            @change="(v) => likely(key, line, v!)"
          />
          <NumberField
            label="High"
            :schema="PriceEach.min(line.likely)"
            :decimals="2"
            :value="line.high"
            @change="(v) => put(key, { ...line, high: v! })"
          />
          <button class="tool tool-bare px-2" :aria-label="`Remove from price book: ${line.name}`" @click="remove(key)">
            <Trash2 :size="17" />
          </button>
        </div>
      </li>
    </ul>
    <p v-else class="text-sm text-ink-soft">
      No prices yet. Choose a part, import a list, or keep an offer under Improve.
    </p>
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <ChoiceField
        v-if="parts.length"
        class="w-full sm:w-96"
        label="Add to price book"
        :value="chosen"
        :choices="choices"
        @change="(v) => (chosen = v)"
      />
      <NumberField
        v-if="adding"
        class="w-36"
        :label="`Price for one, ${props.currency}`"
        :schema="PriceEach"
        :decimals="2"
        optional
        :value="null"
        @change="add"
      />
    </div>
    <div class="mt-2 flex flex-wrap gap-2">
      <button class="tool" :disabled="!lines.length" data-export-book @click="exportBook(book)">
        <Download :size="18" />Export price book (CSV)
      </button>
      <button class="tool" @click="picker?.click()"><FileUp :size="18" />Import price book (CSV)</button>
      <input
        ref="picker"
        type="file"
        accept=".csv,text/csv"
        class="sr-only"
        aria-label="Price book to import"
        tabindex="-1"
        @change="onPick"
      />
    </div>
  </section>
</template>
