<script setup lang="ts">
import { Archive, ArchiveRestore, Copy, Download, FilePlus2, FileUp, Trash2, UserCog } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import PipeSketch from '~/components/home/PipeSketch.vue'
import SchemeButton from '~/components/home/SchemeButton.vue'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import { archiveKept, forgetStudy, keepBeside, type Kept, keptStudies, restoreKept, storageTrouble } from '~/utils/db'
import { exportKept, exportSeveral, exportStudy, importStudies, wholeOf } from '~/utils/files'
import { keepCodes, keptCodes } from '~/utils/kept-codes'
import { keepLeft, takeUp } from '~/utils/leaving'
import { DEMOS } from '~~/core/demos/index'
import { displayOf } from '~~/core/study/display-of'
import { readable } from '~~/core/study/read'
import type { Study } from '~~/core/study/study'
import { wordsOf } from '~~/core/study/words-of'
import type { Fault } from '~~/core/units/result'

useHead({ title: 'Bagno' })
const { say } = useNotice()
const table = useStudy()
const list = shallowRef<Kept[] | null>(null)
const trouble = ref('')
/** Says what did not happen, and what can be done. */
const failed = (what: string) =>
  (trouble.value = `${what}: browser storage is full or blocked. Saved studies are not affected. Delete an old study or free space, and try again.`)
const refused = shallowRef<{ file: string; faults: Fault[] }[]>([])
const over = ref(false)
const picker = ref<HTMLInputElement | null>(null)

/** What the browser keeps for this app, bytes; null where it does not tell. */
const used = ref<number | null>(null)
const usedText = computed(() =>
  used.value === null ? '' : `${(used.value / 1e6).toFixed(used.value < 1e7 ? 1 : 0)} MB`,
)

async function refresh() {
  try {
    used.value = (await navigator.storage?.estimate?.())?.usage ?? null
  } catch {
    used.value = null
  }
  try {
    await keepLeft()
    list.value = (await keptStudies()).sort((a, b) => String(b.changedAt).localeCompare(String(a.changedAt)))
  } catch {
    list.value ??= []
    failed('Saved studies could not be read')
  }
}
onMounted(refresh)

/** Work of the study that was on the table, where it could not be kept. */
const notKept = computed(() => (table.kept === 'failed' ? table.study : null))

const when = (iso: string) =>
  Number.isNaN(Date.parse(iso))
    ? ''
    : new Date(iso).toLocaleString('en-GB', {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        hour: '2-digit',
        minute: '2-digit',
      })
const about = (s: Study) => {
  try {
    return wordsOf(s)(described(s))
  } catch {
    return ''
  }
}
const described = (s: Study) => {
  const people = s.people.persons.length
  return `${s.site.name}. ${people} ${people === 1 ? 'occupant' : 'occupants'}, ${s.pipes.taps.length} outlets, ${s.plant.store ? `${displayOf(s).figure('volume', s.plant.store.litres, 0)} cylinder` : 'no cylinder'}${s.pipes.loop ? ', circulation' : ''}`
}

/** A kept household as it is listed, worked out once: whether it can be opened is seen at a glance, the rest is said when it is. */
const rows = computed(() =>
  (list.value ?? []).map((kept) => ({
    kept,
    sound: readable(kept.study),
    name: kept.study?.name ?? kept.id,
    about: about(kept.study),
    when: when(kept.changedAt),
    text: `${kept.study?.name ?? kept.id} ${kept.study?.site?.name ?? ''}`.toLowerCase(),
  })),
)
/** More than these are worth a search. */
const FEW = 6
const sought = ref('')
const order = ref<'changed' | 'name'>('changed')
const byName = new Intl.Collator('en-GB')
const ordered = computed(() =>
  order.value === 'name' ? [...rows.value].sort((a, b) => byName.compare(a.name, b.name)) : rows.value,
)
const matching = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean)
  return ordered.value.filter(({ text }) => words.every((w) => text.includes(w)))
})
const archive = ref(false)
const archived = computed(() => matching.value.filter(({ kept }) => kept.archived))
const listed = computed(() => (archive.value ? archived.value : matching.value.filter(({ kept }) => !kept.archived)))
const exporting = ref(false)
async function exportListed() {
  exporting.value = true
  await exportSeveral(listed.value.map(({ kept }) => kept)).catch(() => failed('Households were not exported'))
  exporting.value = false
}
async function putAway({ id, study, archived: was }: Kept) {
  try {
    await archiveKept(id, !was)
  } catch {
    return void failed(`“${study?.name ?? id}” was not ${was ? 'taken out of the archive' : 'archived'}`)
  }
  await refresh()
  if (!archived.value.length) archive.value = false
  say({ text: was ? `“${study?.name ?? id}” is listed again.` : `Archived “${study?.name ?? id}”.` })
}

async function duplicate(kept: Kept) {
  try {
    await keepBeside((await wholeOf(kept)).study, `${kept.study.name}, copy`)
  } catch {
    return void failed(`“${kept.study.name}” was not copied`)
  }
  await refresh()
  say({ text: `Copied “${kept.study.name}”.` })
}

async function remove(listed: Kept) {
  let kept = listed
  let codes = ''
  try {
    await table.settled()
    codes = (await keptCodes())[listed.id] ?? ''
    kept = await wholeOf(listed)
    table.forget(kept.id)
    takeUp(kept.id)
    await forgetStudy(kept.id)
    await keepCodes(kept.id, '')
  } catch {
    return void failed(`“${kept.study?.name ?? kept.id}” was not deleted`)
  }
  await refresh()
  say({
    text: `Deleted “${kept.study?.name ?? kept.id}”.`,
    way: {
      label: 'Undo',
      take: async () => {
        if (!(await restoreKept(kept))) {
          await keepBeside(kept.study)
          say({ text: 'Another study now has this name. The deleted one was restored under a new name.' })
        }
        if (codes) await keepCodes(kept.id, codes)
        await refresh()
      },
    },
  })
}

/** Takes files one after the other; each that cannot be read is named, and the others are kept. */
async function take(files: Iterable<File>) {
  refused.value = []
  const taken: string[] = []
  for (const file of files)
    for (const { name, read } of await importStudies(file)) {
      if (!read.ok) {
        refused.value = [...refused.value, { file: name ? `${file.name}: ${name}` : file.name, faults: read.faults }]
        continue
      }
      try {
        taken.push((await keepBeside(read.value)).study.name)
      } catch {
        failed(`“${name || file.name}” was not imported`)
        break
      }
    }
  await refresh()
  if (taken.length === 1) say({ text: `Imported “${taken[0]}”.` })
  else if (taken.length > 1) say({ text: `Imported ${taken.length} households.` })
}

function onPick(event: Event) {
  const input = event.target as HTMLInputElement
  void take([...(input.files ?? [])])
  input.value = ''
}
</script>

<template>
  <main
    id="work"
    class="mx-auto max-w-4xl px-4 py-6"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="((over = false), take([...($event.dataTransfer?.files ?? [])]))"
  >
    <header class="flex flex-wrap items-end justify-between gap-4">
      <div class="flex items-center gap-3">
        <img src="/bagno.svg" alt="" class="size-12" />
        <div>
          <h1 class="text-3xl">Bagno</h1>
          <p class="text-ink-soft">Domestic hot water: settings, schedules, annual energy, cost and savings.</p>
        </div>
      </div>
      <div class="flex flex-wrap gap-2">
        <NuxtLink to="/new" class="tool tool-main"><FilePlus2 :size="18" />New household</NuxtLink>
        <button class="tool" @click="picker?.click()"><FileUp :size="18" />Import a file</button>
        <input
          ref="picker"
          type="file"
          accept=".json,application/json"
          multiple
          class="sr-only"
          aria-label="Study file to import"
          tabindex="-1"
          @change="onPick"
        />
        <NuxtLink to="/defaults" class="tool"><UserCog :size="18" />Defaults</NuxtLink>
        <SchemeButton />
      </div>
    </header>

    <p v-if="storageTrouble" class="mt-4 border-l-4 border-alarm bg-alarm-pale p-3" role="alert">
      {{ storageTrouble }}
    </p>
    <p v-if="trouble" class="mt-4 border-l-4 border-alarm bg-alarm-pale p-3" role="alert">{{ trouble }}</p>
    <div v-if="notKept" class="mt-4 border-l-4 border-alarm bg-alarm-pale p-3" role="alert">
      <p>
        The last change of “{{ notKept.name }}” is not saved: browser storage is full or blocked. It exists in this tab
        only. Export it or delete an old study.
      </p>
      <button class="tool mt-2" @click="exportStudy(notKept)"><Download :size="18" />Export it as a file</button>
    </div>
    <div v-if="refused.length" class="mt-4 border-l-4 border-alarm bg-alarm-pale p-3" role="alert">
      <div v-for="(one, n) in refused" :key="n">
        <p class="font-semibold">“{{ one.file }}” was not imported. Saved studies are not affected.</p>
        <ul class="mt-1 max-h-48 overflow-auto text-sm">
          <li v-for="(f, i) in one.faults" :key="i">
            <b v-if="f.path">{{ f.path }}: </b>{{ f.message }}
          </li>
        </ul>
      </div>
      <button class="tool mt-2" @click="refused = []">Dismiss</button>
    </div>

    <section
      class="mt-8"
      aria-label="Households"
      :class="{ 'outline-2 outline-offset-8 outline-dashed outline-copper': over }"
    >
      <h2 class="border-b-2 border-ink pb-1 text-xl">Households</h2>
      <p v-if="list === null" class="py-6 text-ink-soft">Loading saved studies…</p>
      <p v-else-if="list.length === 0" class="py-6">
        No saved studies. Open a demo household below, create a new one, or drop a
        <code>.bagno.json</code> file anywhere on this page.
      </p>
      <div v-if="list && list.length > FEW" class="flex flex-wrap items-end gap-3 py-2">
        <label class="w-full min-w-0 sm:w-auto sm:flex-1">
          <span class="caption block">Search by name or place</span>
          <input v-model="sought" type="search" class="entry" autocomplete="off" />
        </label>
        <ChoiceField
          class="w-44"
          label="Order"
          :value="order"
          :choices="[
            { value: 'changed', name: 'last changed first' },
            { value: 'name', name: 'by name' },
          ]"
          @change="(v) => (order = v)"
        />
        <p class="caption pb-3" role="status">{{ listed.length }} of {{ list.length }}</p>
      </div>
      <div v-if="list && (list.length > 1 || archived.length)" class="flex flex-wrap items-center gap-2 py-1">
        <button v-if="listed.length > 1" class="tool" data-export-all :disabled="exporting" @click="exportListed">
          <Download :size="18" />Export all {{ listed.length }} as one file
        </button>
        <button v-if="archived.length || archive" class="tool" :aria-pressed="archive" @click="archive = !archive">
          <Archive :size="18" />{{ archive ? 'Back to the list' : `Archive: ${archived.length}` }}
        </button>
      </div>
      <ul v-if="list && list.length">
        <li
          v-for="{ kept, sound, name, about: line, when: changed } in listed"
          :key="kept.id"
          class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2"
        >
          <NuxtLink
            v-if="sound"
            :to="`/study/${kept.id}`"
            class="min-w-64 flex-1 rounded px-2 py-1 hover:bg-plaster-deep"
          >
            <span class="block font-display text-lg font-semibold text-copper">{{ name }}</span>
            <span class="block text-sm text-ink-soft">{{ line }}</span>
          </NuxtLink>
          <p v-else class="min-w-64 flex-1 px-2 py-1">
            <span class="font-semibold">{{ kept.id }}</span>
            <span class="block text-sm text-alarm"
              >This study cannot be read by this version of Bagno. It is stored unchanged and can be exported.</span
            >
          </p>
          <span class="caption pl-2">{{ changed }}</span>
          <span class="flex">
            <button
              v-if="sound"
              class="tool tool-bare px-3"
              :aria-label="`Duplicate ${name}`"
              title="Duplicate"
              @click="duplicate(kept)"
            >
              <Copy :size="18" />
            </button>
            <button
              class="tool tool-bare px-3"
              :aria-label="`Export ${name}`"
              title="Export as a file"
              @click="exportKept(kept)"
            >
              <Download :size="18" />
            </button>
            <button
              class="tool tool-bare px-3"
              :aria-label="kept.archived ? `Take ${name} out of the archive` : `Archive ${name}`"
              :title="kept.archived ? 'Take out of the archive' : 'Archive'"
              @click="putAway(kept)"
            >
              <ArchiveRestore v-if="kept.archived" :size="18" /><Archive v-else :size="18" />
            </button>
            <button class="tool tool-bare px-3" :aria-label="`Delete ${name}`" title="Delete" @click="remove(kept)">
              <Trash2 :size="18" />
            </button>
          </span>
        </li>
      </ul>
    </section>

    <section class="mt-10" aria-label="Demo households">
      <h2 class="border-b-2 border-ink pb-1 text-xl">Demo households</h2>
      <p class="pt-2 text-sm text-ink-soft">All invented. Opening one saves an editable copy here.</p>
      <ul>
        <li v-for="d in DEMOS" :key="d.study.id" class="border-b border-line py-2">
          <NuxtLink
            :to="`/demo/${d.study.id}`"
            class="flex flex-wrap items-center justify-between gap-x-4 rounded px-2 py-1 hover:bg-plaster-deep"
          >
            <span class="min-w-64 flex-1">
              <span class="block font-display text-lg font-semibold text-copper">{{ d.study.name }}</span>
              <span class="block text-sm text-ink-soft">{{ d.shows }}</span>
            </span>
            <PipeSketch :study="d.study" />
          </NuxtLink>
        </li>
      </ul>
    </section>
    <p class="caption mt-10">
      Studies are saved in this browser only<template v-if="usedText">, {{ usedText }} with the app itself</template>.
      Figures are estimates; follow the local code. Work is for registered installers where it requires.
    </p>
  </main>
</template>
