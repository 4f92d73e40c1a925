<template>
  <a href="#work" class="tool sr-only focus:not-sr-only focus:fixed focus:z-50 focus:m-2">Skip to the work</a>
  <NuxtPage />
  <SumPocket />
  <NoticeBar />
</template>
