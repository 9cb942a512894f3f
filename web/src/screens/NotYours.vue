<script setup lang="ts">
import { useOwnScreen } from '@/parts/ownScreen'
import PageHeadline from '@/parts/PageHeadline.vue'
import { firstPageOf, roleWords } from '@/parts/roleWords'

/** A page that this screen was not let in for. */
const screen = useOwnScreen()
</script>

<template>
  <PageHeadline>
    This screen is here for: {{ roleWords[screen.role] }}.
    <template #actions>
      <v-btn color="primary" variant="flat" :to="firstPageOf[screen.role]">To its work</v-btn>
    </template>
  </PageHeadline>
  <p class="quiet">
    What you were about to open is for others. The owner lets screens in under Workshop, Other screens.
  </p>
</template>
