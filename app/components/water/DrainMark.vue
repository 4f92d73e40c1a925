<template>
  <svg viewBox="0 0 48 72" class="h-20 w-13" aria-hidden="true">
    <path
      d="M6 8h36c0 12-7 17-14 17v9c0 6 10 5 10 13v0c0 7-12 8-14 2"
      fill="none"
      stroke="var(--color-ink)"
      stroke-width="1.8"
    />
    <path d="M6 8c0 12 7 17 14 17v10c0 8 10 6 10 12" fill="none" stroke="var(--color-ink)" stroke-width="1.8" />
    <path d="M24 56v12" stroke="var(--color-line-strong)" stroke-width="1.8" stroke-dasharray="3 3" />
  </svg>
</template>
