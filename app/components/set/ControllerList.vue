<script setup lang="ts">
import { Plus } from '@lucide/vue'
import ControllerForm from '~/components/set/ControllerForm.vue'
import { useStudy } from '~/stores/study'
import { clashes, commandable, commandedName, controllerOf } from '~~/core/household/controllers'
import { CONTROLLER_KINDS } from '~~/core/household/defaults/controllers'
import { withController } from '~~/core/household/edits/controllers'
import { MOST_CONTROLLERS } from '~~/core/study/controllers'

/** Every controller of the household: what it commands, what it can hold, and what two of them command both. */
const table = useStudy()
const study = computed(() => table.study!)
const twice = computed(() => clashes(study.value))
const without = computed(() => commandable(study.value).filter((of) => controllerOf(study.value, of) === null))
const nameList = (all: readonly string[]) => all.join(', ')
const add = (like: Parameters<typeof withController>[1]) => table.replace((s) => withController(s, like))
</script>

<template>
  <section aria-label="Controllers">
    <p class="text-ink-soft">
      One entry for each box with a clock or a dial. Its limits apply to every schedule it holds; its clock is
      simulated.
    </p>
    <ul v-if="twice.length" class="mt-2 border-l-4 border-alarm pl-3 text-sm" data-clash>
      <li v-for="t in twice" :key="t.of">
        <b>{{ commandedName(study, t.of) }}</b> is commanded by {{ t.controllers.map((c) => c.name).join(' and ') }}:
        whichever is off keeps it off.
      </li>
    </ul>
    <p v-if="without.length" class="mt-2 text-sm text-ink-soft">
      No controller recorded: {{ nameList(without.map((of) => commandedName(study, of))) }}.
    </p>
    <div class="mt-3">
      <ControllerForm v-for="c in study.controllers" :key="c.id" :controller="c" />
    </div>
    <div v-if="study.controllers.length < MOST_CONTROLLERS" class="border-t border-line-strong pt-3">
      <h2 class="text-base">Add a controller</h2>
      <div class="mt-1 flex flex-wrap gap-2">
        <button
          v-for="kind in CONTROLLER_KINDS"
          :key="kind.name"
          class="tool"
          :title="kind.says"
          @click="add({ name: kind.name, ...kind.like })"
        >
          <Plus :size="17" />{{ kind.name }}
        </button>
        <button class="tool tool-bare" @click="add({})"><Plus :size="17" />Other</button>
      </div>
    </div>
  </section>
</template>
