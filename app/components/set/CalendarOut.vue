<script setup lang="ts">
import { CalendarDays, FileSpreadsheet } from '@lucide/vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { handAs } from '~/utils/files'
import { localDay } from '~/utils/local-iso'

/** Schedules, cycles, boosts, absences, clocks and upkeep for a calendar, and the schedules as separated values. */
const table = useStudy()
/** By the clock of this browser, until the household’s own is typed. */
const zone = ref(Intl.DateTimeFormat().resolvedOptions().timeZone)
const zones = shallowRef<readonly string[]>([])
onMounted(async () => void (zones.value = (await import('~~/core/calendar/ical')).zoneNames()))
const check = (name: string) =>
  zones.value.length === 0 || zones.value.includes(name) ? '' : 'is not known. Accepts names such as Europe/Vienna'
async function toCalendar() {
  const { calendarFile } = await import('~~/core/views/reminders')
  const stamp = `${new Date().toISOString().slice(0, 19)}Z`
  handAs(
    calendarFile(table.study!, table.units, { from: localDay(), zone: zone.value, stamp }),
    `${table.study!.id}.ics`,
    'text/calendar',
  )
}
async function toCsv() {
  const { schedulesCsv } = await import('~~/core/views/schedules-csv')
  handAs(`${schedulesCsv(table.study!)}\r\n`, `${table.study!.id}-schedules.csv`, 'text/csv')
}
</script>

<template>
  <section aria-label="Calendar and schedules as files" class="border-t border-line-strong pt-4 print:hidden">
    <h2 class="text-xl">For the household’s calendar</h2>
    <p class="caption">
      Schedules, pasteurisation cycles, boosts and their end, going away and coming back, clock checks, batteries,
      seasons and upkeep.
    </p>
    <div class="mt-2 flex flex-wrap items-start gap-3">
      <TextField
        class="w-56"
        label="Time zone of the household"
        :value="zone"
        :check="check"
        @change="(v) => (zone = v)"
      />
      <button class="tool mt-4" @click="toCalendar"><CalendarDays :size="17" />Calendar file</button>
      <button class="tool mt-4" @click="toCsv"><FileSpreadsheet :size="17" />Schedules as CSV</button>
    </div>
  </section>
</template>
