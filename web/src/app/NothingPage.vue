<script setup lang="ts">
import TheAnswer from '@/parts/TheAnswer.vue'
</script>

<template>
  <TheAnswer>
    There is nothing at this address.
    <template #actions><v-btn to="/plan" color="primary" variant="flat">Go to the plan</v-btn></template>
  </TheAnswer>
</template>
