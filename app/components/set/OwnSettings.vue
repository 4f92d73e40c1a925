<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { localIso } from '~/utils/local-iso'
import { withOwnSetting } from '~~/core/household/own-settings'
import { MOST_OWN_SETTINGS, OWN_SETTING_KINDS, type OwnSetting } from '~~/core/study/own-settings'

/** Settings that no list has: mode dials, parameters, pump speeds, signs that nobody expected. */
const table = useStudy()
const own = computed(() => table.study!.controls.own)
const put = (id: string, key: string, edit: (s: OwnSetting) => void) =>
  table.change(`own setting ${id} ${key}`, (d) => edit(d.controls.own.find((s) => s.id === id)!))
const today = () => localIso(new Date()).slice(0, 10)
const add = () => table.replace((s) => withOwnSetting(s, today()))
const remove = (id: string) =>
  table.change(`remove ${id}`, (d) => void (d.controls.own = d.controls.own.filter((s) => s.id !== id)))
const KINDS = OWN_SETTING_KINDS.map((value) => ({ value, name: value }))
const short = (text: string) => (text.length > 120 ? 'is too long. Accepts up to 120 characters' : '')
</script>

<template>
  <section aria-label="Settings added by hand">
    <h2 class="text-xl">Settings added by hand</h2>
    <p class="caption">
      What no list has: a mode dial, a parameter, a pump speed, a sign on the display. Write down what else it moves.
    </p>
    <ul>
      <li v-for="s in own" :key="s.id" class="border-b border-line py-3" :data-own="s.id">
        <div class="grid grid-cols-2 items-end gap-3 sm:grid-cols-6">
          <ChoiceField
            label="Kind"
            :value="s.kind"
            :choices="KINDS"
            @change="(v) => put(s.id, 'kind', (x) => void (x.kind = v))"
          />
          <TextField label="Where" :value="s.place" @change="(v) => put(s.id, 'where', (x) => void (x.place = v))" />
          <TextField label="Setting" :value="s.what" @change="(v) => put(s.id, 'what', (x) => void (x.what = v))" />
          <TextField
            label="Found"
            optional
            :check="short"
            :value="s.found"
            @change="(v) => put(s.id, 'found', (x) => void (x.found = v))"
          />
          <TextField
            label="Now"
            optional
            :check="short"
            :value="s.now ?? ''"
            @change="(v) => put(s.id, 'now', (x) => void (x.now = v === '' ? null : v))"
          />
          <TextField
            label="Unit"
            optional
            :check="(t) => (t.length > 20 ? 'is too long. Accepts up to 20 characters' : '')"
            :value="s.unit"
            @change="(v) => put(s.id, 'unit', (x) => void (x.unit = v))"
          />
          <TextField
            label="Factory setting"
            optional
            :check="short"
            :value="s.factory"
            @change="(v) => put(s.id, 'factory', (x) => void (x.factory = v))"
          />
          <TextField
            label="Display after"
            optional
            :check="short"
            :value="s.shows"
            @change="(v) => put(s.id, 'shows', (x) => void (x.shows = v))"
          />
          <DateField label="Changed on" :value="s.on" @change="(v) => put(s.id, 'on', (x) => void (x.on = v))" />
          <TextField
            label="Who"
            optional
            :check="short"
            :value="s.by"
            @change="(v) => put(s.id, 'by', (x) => void (x.by = v))"
          />
          <TextField
            class="col-span-2"
            label="Why"
            optional
            :value="s.why"
            @change="(v) => put(s.id, 'why', (x) => void (x.why = v))"
          />
          <TextField
            class="col-span-2 sm:col-span-5"
            label="What else it moves"
            optional
            :value="s.effects"
            @change="(v) => put(s.id, 'effects', (x) => void (x.effects = v))"
          />
          <button class="tool tool-bare" :aria-label="`Remove ${s.what}`" @click="remove(s.id)">
            <Trash2 :size="17" />Remove
          </button>
        </div>
      </li>
    </ul>
    <button class="tool mt-3" :disabled="own.length >= MOST_OWN_SETTINGS" @click="add">
      <Plus :size="17" />Add a setting
    </button>
  </section>
</template>
