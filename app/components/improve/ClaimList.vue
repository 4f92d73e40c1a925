<script setup lang="ts">
import { Play, Plus, Square, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import WorkProgress from '~/components/fields/WorkProgress.vue'
import { useRanges } from '~/stores/ranges'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { claimsTogether, type ClaimVerdict, judgedClaim } from '~~/core/scenarios/claims'
import { Claim, CLAIM_BASES, CLAIM_PERIODS, CLAIM_TAGS, MOST_CLAIMS } from '~~/core/study/claims'
import { freshId } from '~~/core/study/fresh-id'
import { claimSentences, claimText, togetherText, VERDICT_WORDS } from '~~/core/views/claim-words'

/** Savings that somebody promises, each held against this household. */
const table = useStudy()
const years = useYears()
const ranges = useRanges()
const claims = computed(() => table.study!.claims)
const packages = computed(() => table.study!.packages)
const judged = computed(() => {
  const year = years.now
  if (!year) return null
  return claims.value.map((claim) => {
    const found = claim.packageId === null ? null : ranges.of(claim.packageId)
    const pack = packages.value.find((p) => p.id === claim.packageId) ?? null
    return judgedClaim(claim, year, pack, found?.holds && !ranges.running ? found.last.ranges : null)
  })
})
const together = computed(() => (years.now ? claimsTogether(claims.value, years.now) : null))
const TONES: Record<ClaimVerdict, string> = {
  'of what?': 'text-copper',
  'per what?': 'text-copper',
  'out of reach': 'text-alarm',
  optimistic: 'text-alarm',
  plausible: 'text-verdigris',
  cautious: 'text-verdigris',
  'not judged': 'text-ink-soft',
}
const named = <K extends string>(of: Record<K, string>) =>
  (Object.keys(of) as K[]).map((value): { value: K | null; name: string } => ({ value, name: of[value] }))
const bases = [{ value: null, name: 'not said' }, ...named(CLAIM_BASES)]
const periods = [{ value: null, name: 'not said' }, ...named(CLAIM_PERIODS)]
const tags = (Object.keys(CLAIM_TAGS) as (keyof typeof CLAIM_TAGS)[]).map((value) => ({
  value,
  name: CLAIM_TAGS[value],
}))
const meant = computed(() => [
  { value: null, name: 'none' },
  ...packages.value.map((p) => ({ value: p.id as string | null, name: p.name })),
])

const put = (i: number, part: Partial<Claim>) =>
  table.change(`claim ${i} ${Object.keys(part).join(' ')}`, (d) => void Object.assign(d.claims[i]!, part))
const add = () =>
  table.change(
    'add claim',
    (d) =>
      void d.claims.push({
        id: freshId('claim', d.claims),
        who: 'not entered',
        on: null,
        tag: 'hearsay',
        percent: 10,
        upTo: false,
        of: null,
        per: null,
        packageId: d.packages[0]?.id ?? null,
      }),
  )
const remove = (i: number) => table.change('remove claim', (d) => void d.claims.splice(i, 1))
/** The package whose range is worked out. */
const at = ref<string | null>(null)
function run(packageId: string) {
  at.value = packageId
  void ranges.run(packageId)
}
const rangeHolds = (packageId: string) => ranges.of(packageId)?.holds === true
</script>

<template>
  <section aria-label="Claims">
    <p class="max-w-prose">
      A promised saving: a share, of what, per what, and the source. Each is held against the range of this household
      and against all that its package can reach.
    </p>
    <ul v-if="claims.length" class="mt-3 space-y-4">
      <li v-for="(c, i) in claims" :key="c.id" class="border-t-2 border-ink pt-2" :data-claim="c.id">
        <div role="group" :aria-label="claimText(c)">
          <div class="flex flex-wrap items-baseline justify-between gap-2">
            <p class="font-semibold">{{ claimText(c) }}</p>
            <b v-if="judged" class="text-lg" :class="TONES[judged[i]!.verdict]" data-verdict>{{
              VERDICT_WORDS[judged[i]!.verdict].name
            }}</b>
          </div>
          <p v-if="judged" class="max-w-prose" data-verdict-says>
            {{ claimSentences(c, judged[i]!, table.units).join(' ') }}
          </p>
          <p v-else class="text-ink-soft">Simulating the year…</p>
          <div v-if="c.packageId && c.of && c.per === 'year' && !rangeHolds(c.packageId)" class="mt-1">
            <button v-if="!ranges.running" class="tool" @click="run(c.packageId)">
              <Play :size="17" />Work out the range
            </button>
          </div>
          <template v-if="ranges.running && at === c.packageId">
            <WorkProgress class="mt-1" counts="Samples simulated" :done="ranges.done" :of="ranges.wanted">
              {{ ranges.done }} of {{ ranges.wanted }} samples
            </WorkProgress>
            <button class="tool" @click="ranges.stop()"><Square :size="17" />Stop</button>
          </template>
          <div class="mt-2 grid grid-cols-2 items-start gap-3 md:grid-cols-4">
            <NumberField
              label="Share claimed"
              unit="%"
              :decimals="1"
              :schema="Claim.shape.percent"
              :value="c.percent"
              @change="(v) => put(i, { percent: v! })"
            />
            <ChoiceField label="Of what" :value="c.of" :choices="bases" @change="(of) => put(i, { of })" />
            <ChoiceField label="Per what" :value="c.per" :choices="periods" @change="(per) => put(i, { per })" />
            <ChoiceField
              label="Package meant"
              :value="c.packageId"
              :choices="meant"
              @change="(packageId) => put(i, { packageId })"
            />
            <TextField label="Who says it" :value="c.who" @change="(who) => put(i, { who })" />
            <ChoiceField label="Kind of figure" :value="c.tag" :choices="tags" @change="(tag) => put(i, { tag })" />
            <DateField label="Date" :value="c.on" @change="(on) => put(i, { on })" />
            <label class="flex min-h-11 items-center gap-2 self-end">
              <input
                type="checkbox"
                class="size-5 shrink-0 accent-copper"
                :checked="c.upTo"
                @change="put(i, { upTo: !c.upTo })"
              />
              <span>Said as “up to”</span>
            </label>
          </div>
          <button class="tool tool-bare mt-1" :aria-label="`Remove claim: ${claimText(c)}`" @click="remove(i)">
            <Trash2 :size="17" />Remove
          </button>
        </div>
      </li>
    </ul>
    <p v-if="together" class="mt-4 max-w-prose border-l-4 border-copper pl-2" data-together>
      {{ togetherText(together) }}
    </p>
    <button class="tool mt-4" :disabled="claims.length >= MOST_CLAIMS" @click="add"><Plus :size="17" />Claim</button>
  </section>
</template>
