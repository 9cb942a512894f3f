<script setup lang="ts">
import PageHeadline from '@/parts/PageHeadline.vue'
</script>

<template>
  <PageHeadline>
    There is nothing at this address.
    <template #actions><v-btn to="/plan" color="primary" variant="flat">Go to the plan</v-btn></template>
  </PageHeadline>
</template>
