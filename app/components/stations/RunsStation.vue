<script setup lang="ts">
import { GripVertical, Plus, Trash2 } from '@lucide/vue'
import Sortable from 'sortablejs'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import InsulationField from '~/components/fields/InsulationField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { MATERIAL_NAMES } from '~/utils/pipe-choices'
import { sizeChoices } from '~/utils/pipe-choices'
import { measuresOf, nearestSize } from '~/utils/pipe-choices'
import { PLACE_NAMES } from '~/utils/places'
import { WASTE_LIMITS } from '~~/core/household/dead-leg-limit'
import { addRun, keepsRun, moveRun, type Nudge, nudgeRun, passThrough, removeRun } from '~~/core/household/edits/runs'
import { below, outline } from '~~/core/household/outline'
import { loopRuns } from '~~/core/household/runs'
import { pipeOf } from '~~/core/pipes/catalogue'
import { contentsPerMetre } from '~~/core/pipes/contents'
import { JOINTS, Pipes, Run } from '~~/core/study/pipes'
import { meanPrice } from '~~/core/year/account/where-it-goes'

/** The pipes as an outline: typed from top to bottom, dragged or moved by arrow keys, each row with what it holds and loses. */
const props = defineProps<{ chosen: string }>()
const table = useStudy()
const years = useYears()
const rows = computed(() => outline(table.study!.pipes.runs))
const litres = (r: Run) => contentsPerMetre(pipeOf(r.material, r.size)) * r.lengthM
const lost = (id: string) => years.now?.runs.find((r) => r.id === id)?.lossKwh
/** Runs whose loss counts as the loop's. */
const onLoop = computed(() => loopRuns(table.study!))
const price = computed(() => (years.now ? meanPrice(years.now) : 0))
const edit = (id: string, change: (run: Run) => void) =>
  table.change(`run ${id}`, (d) => change(d.pipes.runs.find((r) => r.id === id)!))
const put = (runs: Run[]) => table.replace((s) => ({ ...s, pipes: { ...s.pipes, runs } }))

const joints = JOINTS.map((value) => ({ value, name: value }))
/** Fittings that are there, in words. */
const counted = ({ fittings }: Run) =>
  (Object.keys(FITTINGS) as (keyof typeof FITTINGS)[])
    .filter((k) => fittings[k] > 0)
    .map((k) => `${fittings[k]} ${FITTINGS[k]}`)
const FITTINGS = { bends: 'bends', tees: 'tees', valves: 'valves' } as const
const limitSchema = Pipes.shape.deadLegLimitL.unwrap()
const limits = computed(() => [
  { value: 0, name: 'none' },
  ...Object.entries(WASTE_LIMITS).map(([name, value]) => ({
    value: value as number,
    name: table.units.system === 'us' ? table.units.figure('volume', value, 2) : name,
  })),
  ...(limit.value !== null && !Object.values(WASTE_LIMITS).includes(limit.value as never)
    ? [{ value: limit.value, name: table.units.figure('volume', limit.value, 2) }]
    : []),
])
const energySchema = Pipes.shape.energyLimitKwh.unwrap()
const boreSchema = Pipes.shape.minBoreMm.unwrap()
const limit = computed(() => table.study!.pipes.deadLegLimitL)
const setLimit = (litres: number | null) =>
  table.change('waste limit', (d) => void (d.pipes.deadLegLimitL = litres || null))

/** A level of the outline, px; less where the screen is narrow. */
const LEVEL_PX = 18
const list = ref<HTMLElement | null>(null)
/** Drawn anew after a drag, because the drag has moved what Vue had placed. */
const drawn = ref(0)

function add(from: string | null) {
  const { study, id } = addRun(table.study!, from)
  if (table.replace(() => study)) void focusOn(id)
}
async function focusOn(id: string, grip = false) {
  await nextTick()
  const row = list.value?.querySelector<HTMLElement>(`[data-run="${id}"]`)
  row?.scrollIntoView({ block: 'nearest' })
  const target = row?.querySelector<HTMLInputElement>(grip ? '.run-grip' : 'input')
  target?.focus()
  if (!grip) target?.select()
}
const WAYS: Record<string, Nudge> = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'out', ArrowRight: 'in' }
function onGrip(event: KeyboardEvent, id: string) {
  const way = WAYS[event.key]
  if (!way) return
  event.preventDefault()
  put(nudgeRun(table.study!.pipes.runs, id, way))
  void focusOn(id, true)
}

let dragFromX = 0
watch(
  [list, drawn],
  ([element], _old, cleanUp) => {
    if (!element) return
    const sortable = Sortable.create(element, {
      handle: '.run-grip',
      animation: 120,
      onStart: (e) => (dragFromX = pointerX((e as unknown as { originalEvent?: Event }).originalEvent)),
      onEnd: (e) => {
        const id = e.item.dataset.run!
        const { runs } = table.study!.pipes
        const moved = below(runs, id)
        const order = [...element.children].map((c) => (c as HTMLElement).dataset.run!)
        const place = order.slice(0, order.indexOf(id)).filter((x) => !moved.has(x)).length
        const levels = Math.round(
          (pointerX((e as unknown as { originalEvent?: Event }).originalEvent) - dragFromX) / LEVEL_PX,
        )
        const depth = rows.value.find((r) => r.run.id === id)!.depth + levels
        drawn.value++
        put(moveRun(runs, id, place, depth))
      },
    })
    cleanUp(() => sortable.destroy())
  },
  { flush: 'post' },
)
const pointerX = (event: Event | undefined) =>
  event instanceof MouseEvent
    ? event.clientX
    : event instanceof TouchEvent
      ? (event.changedTouches[0]?.clientX ?? 0)
      : 0

watch(
  () => props.chosen,
  async (id) => {
    await nextTick()
    list.value?.querySelector(`[data-run="${id}"]`)?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true },
)
</script>

<template>
  <div class="mb-2 flex flex-wrap items-start gap-3">
    <ChoiceField class="w-44" label="Dead-leg volume limit" :value="limit ?? 0" :choices="limits" @change="setLimit" />
    <NumberField
      class="w-32"
      label="Other value"
      quantity="volume"
      :decimals="2"
      optional
      :schema="limitSchema"
      :value="limit"
      @change="setLimit"
    />
    <NumberField
      class="w-40"
      label="Annual energy limit"
      quantity="energy"
      help="Per year, checked together with the volume"
      optional
      :schema="energySchema"
      :value="table.study!.pipes.energyLimitKwh"
      @change="(v) => table.change('energy limit', (d) => void (d.pipes.energyLimitKwh = v))"
    />
    <NumberField
      class="w-40"
      label="Minimum bore (local code)"
      quantity="thickness"
      :decimals="1"
      help="Leave blank if not checked"
      optional
      :schema="boreSchema"
      :value="table.study!.pipes.minBoreMm"
      @change="(v) => table.change('least bore', (d) => void (d.pipes.minBoreMm = v))"
    />
  </div>
  <p id="run-help" class="caption mb-2">
    Drag a run by its handle or use the arrow keys: up, down, right to connect it to the run above, left to disconnect.
    Enter in a length adds the next run.
  </p>
  <div class="caption hidden pr-22 pl-10 xl:block" aria-hidden="true">
    <div class="grid gap-1.5 xl:grid-cols-[minmax(9rem,2fr)_minmax(8rem,1.6fr)_5rem_6.5rem_6.5rem_minmax(8.5rem,1fr)]">
      <span>Run</span><span>Material</span><span>Size</span><span>Length</span><span>Insulation</span
      ><span>Location</span>
    </div>
  </div>
  <ol :key="drawn" ref="list">
    <li
      v-for="{ run, depth } in rows"
      :key="run.id"
      :data-run="run.id"
      class="border-b border-line py-1.5"
      :class="{ 'bg-copper-pale': chosen === run.id }"
    >
      <div class="flex items-start gap-1" :style="{ paddingLeft: `${Math.min(depth, 5) * LEVEL_PX}px` }">
        <button
          class="run-grip tool tool-bare mt-0 cursor-grab touch-none px-1.5"
          :aria-label="`Move ${run.name}`"
          aria-describedby="run-help"
          @keydown="onGrip($event, run.id)"
        >
          <GripVertical :size="18" />
        </button>
        <div
          class="grid min-w-0 flex-1 grid-cols-2 gap-1.5 xl:grid-cols-[minmax(9rem,2fr)_minmax(8rem,1.6fr)_5rem_6.5rem_6.5rem_minmax(8.5rem,1fr)]"
        >
          <TextField
            class="col-span-2 xl:col-span-1"
            bare
            label="Name of the run"
            :value="run.name"
            @change="(v) => edit(run.id, (r) => void (r.name = v))"
          />
          <ChoiceField
            bare="wide"
            label="Material"
            :value="run.material"
            :choices="MATERIAL_NAMES"
            @change="
              (v) =>
                edit(run.id, (r) => {
                  r.size = nearestSize(r, v)
                  r.material = v
                })
            "
          />
          <ChoiceField
            bare="wide"
            label="Size"
            :value="run.size"
            :choices="sizeChoices(run.material, table.units, run.size)"
            @change="(v) => edit(run.id, (r) => void (r.size = v))"
          />
          <NumberField
            bare="wide"
            :label="`Length of ${run.name}`"
            quantity="length"
            :schema="Run.shape.lengthM"
            :origin="table.origin(`pipes.runs.${run.id}.lengthM`)"
            :value="run.lengthM"
            @change="(v) => edit(run.id, (r) => void (r.lengthM = v!))"
            @keydown.enter="add(run.id)"
          />
          <InsulationField
            bare="wide"
            :label="`Insulation of ${run.name}`"
            :value="run.insulation"
            @change="(v) => edit(run.id, (r) => void (r.insulation = v))"
          />
          <ChoiceField
            bare="wide"
            label="Location"
            :value="run.place"
            :choices="PLACE_NAMES"
            @change="(v) => edit(run.id, (r) => passThrough(r, v))"
          />
          <div class="col-span-2 flex flex-wrap items-center gap-x-4 text-sm xl:col-span-full">
            <span
              >{{ measuresOf(run.material, run.size, table.units) }}, volume
              <b>{{ table.units.figure('volume', litres(run), 2) }}</b></span
            >
            <span
              >loses
              <b>{{
                lost(run.id) === undefined
                  ? '…'
                  : `${table.units.energy(lost(run.id)!)}, ${table.units.money(lost(run.id)! * price)}`
              }}</b>
              a year{{ onLoop.has(run.id) ? ', as part of the circulation' : '' }}</span
            >
            <label class="flex min-h-9 items-center gap-1.5"
              ><input
                type="checkbox"
                class="size-5 accent-copper"
                :checked="run.reachable"
                @change="edit(run.id, (r) => void (r.reachable = !r.reachable))"
              />accessible<span class="sr-only">: {{ run.name }}</span></label
            >
            <details class="open:w-full">
              <summary class="cursor-pointer py-2.5 text-ink-soft">
                Joints and fittings<span class="sr-only"> of {{ run.name }}</span
                >: {{ [run.joints, ...counted(run)].join(', ') }}
              </summary>
              <div class="grid grid-cols-2 gap-1.5 sm:grid-cols-4">
                <ChoiceField
                  label="Joints"
                  :value="run.joints"
                  :choices="joints"
                  @change="(v) => edit(run.id, (r) => void (r.joints = v))"
                />
                <NumberField
                  v-for="(name, key) in FITTINGS"
                  :key="key"
                  :label="name"
                  :decimals="0"
                  :schema="Run.shape.fittings.shape[key]"
                  :value="run.fittings[key]"
                  @change="(v) => edit(run.id, (r) => void (r.fittings[key] = Math.round(v!)))"
                />
              </div>
            </details>
          </div>
        </div>
        <div class="flex shrink-0 flex-col xl:flex-row">
          <button
            class="tool tool-bare min-w-11 px-2"
            :aria-label="`Add a run after ${run.name}`"
            title="Add run at its end"
            @click="add(run.id)"
          >
            <Plus :size="17" />
          </button>
          <button
            class="tool tool-bare min-w-11 px-2"
            :disabled="keepsRun(table.study!, run.id) !== null"
            :title="keepsRun(table.study!, run.id) ?? ''"
            :aria-label="`Remove ${run.name}`"
            @click="table.replace((s) => removeRun(s, run.id))"
          >
            <Trash2 :size="17" />
          </button>
        </div>
      </div>
    </li>
  </ol>
  <button class="tool mt-2" @click="add(null)"><Plus :size="17" />Add run at hot connection</button>
</template>
