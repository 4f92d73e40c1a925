<script setup lang="ts">
/** The pipes at the top of a cylinder in section: straight up without a trap, with one, and a pipe that falls first. */
const WAYS = [
  { name: 'No heat trap: warm water rises in the pipe, cool water sinks back', pipe: 'M30 40V6', turns: true },
  { name: 'Heat trap at the connection', pipe: 'M30 40V6', trap: true },
  { name: 'Pipe falls before it rises: a trap by itself', pipe: 'M30 40V24c0-7 16-7 16 0v9c0 7 12 7 12 0V6' },
] as const
</script>

<template>
  <ul class="col-span-full flex flex-wrap gap-x-6 gap-y-2" aria-label="Connections at the top of the cylinder">
    <li v-for="w in WAYS" :key="w.name" class="flex w-56 items-start gap-2 text-sm">
      <svg viewBox="0 0 68 62" class="h-16 w-18 shrink-0 text-ink" aria-hidden="true" fill="none">
        <path d="M6 62V50c0-7 6-10 14-10h20c8 0 14 3 14 10v12" stroke="currentColor" stroke-width="1.8" />
        <path d="M8 56h44" class="stroke-copper" stroke-width="9" opacity="0.35" />
        <path :d="w.pipe" stroke="currentColor" stroke-width="7" stroke-linecap="butt" />
        <path :d="w.pipe" class="stroke-copper" stroke-width="3.6" :opacity="'turns' in w ? 1 : 0.35" />
        <g v-if="'turns' in w" class="stroke-copper" stroke-width="1.6">
          <path d="M20 34V12m-3 4 3-4 3 4M40 12v22m-3-4 3 4 3-4" />
        </g>
        <g v-if="'trap' in w">
          <rect x="24" y="29" width="12" height="9" class="fill-plaster" stroke="currentColor" stroke-width="1.8" />
          <circle cx="30" cy="33.5" r="2.6" fill="currentColor" />
        </g>
      </svg>
      <span>{{ w.name }}</span>
    </li>
  </ul>
</template>
