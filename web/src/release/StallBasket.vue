<script setup lang="ts">
/** What a buyer has in hand, what it comes to, and how it is paid. */
defineProps<{
  /** In money, as it is said. */
  total: string
  bars: number
  canUndo: boolean
}>()
const emit = defineEmits<{ sell: [paid: 'cash' | 'card' | 'sample']; undo: [] }>()
</script>

<template>
  <section class="sheet basket" aria-label="The basket" data-test="basket">
    <template v-if="bars > 0">
      <b class="serif total">{{ total }}</b>
      <v-btn class="big" color="primary" variant="flat" data-test="cash" @click="emit('sell', 'cash')">Cash</v-btn>
      <v-btn class="big" color="primary" variant="flat" data-test="card" @click="emit('sell', 'card')">Card</v-btn>
      <v-btn class="big" data-test="sample" @click="emit('sell', 'sample')">As a sample</v-btn>
    </template>
    <v-btn v-else-if="canUndo" class="big wide" data-test="undo-sale" @click="emit('undo')">Undo the last sale</v-btn>
  </section>
</template>

<style scoped>
.basket {
  position: fixed;
  right: 22px;
  bottom: 16px;
  left: calc(var(--rail) + 22px);
  z-index: 8;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  border-color: rgb(var(--v-theme-primary));
}

.total {
  flex: 1;
  font-size: 1.7rem;
}

.big {
  min-width: 96px;
  min-height: 60px;
  font-size: 1.15rem;
}

.wide {
  flex: 1;
}

@media (max-width: 599px) {
  .total {
    flex: 1 0 100%;
  }

  .big {
    flex: 1;
  }

  .basket {
    right: 8px;
    bottom: calc(66px + env(safe-area-inset-bottom));
    left: 8px;
  }
}
</style>
