<script setup lang="ts">
definePageMeta({ redirect: (to) => `/study/${String(to.params.id)}/set` })
</script>

<template><div /></template>
