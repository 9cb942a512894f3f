<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import { usePromises } from '@/parts/promiseStore'

/** Asked before anything that breaks a promise to a client. */
const promises = usePromises()
</script>

<template>
  <v-dialog
    :model-value="promises.asked !== undefined"
    max-width="600"
    @update:model-value="promises.asked?.answer(false)"
  >
    <v-card v-if="promises.asked" class="pa-3" title="This breaks a promise" data-test="breaks-promise">
      <v-card-text><FindingList :findings="promises.asked.broken" /></v-card-text>
      <v-card-actions>
        <v-btn color="primary" variant="flat" autofocus data-test="keep-promise" @click="promises.asked.answer(false)"
          >Leave it as it is</v-btn
        >
        <v-btn variant="outlined" color="error" data-test="break-promise" @click="promises.asked.answer(true)"
          >Do it all the same</v-btn
        >
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>
