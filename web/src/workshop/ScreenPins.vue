<script setup lang="ts">
import { reactive } from 'vue'

/** The PINs with which makers sign in on other screens. Nobody is told one. */
defineProps<{
  makers: readonly { readonly id: string; readonly name: string }[]
  /** Ids of the makers who have a PIN. */
  withPin: readonly string[]
}>()
const emit = defineEmits<{ set: [makerId: string, pin: string] }>()

const typed = reactive<Record<string, string>>({})
const isPin = (text = ''): boolean => /^\d{4,12}$/.test(text)
function set(makerId: string): void {
  const pin = typed[makerId]
  if (!isPin(pin)) return
  emit('set', makerId, pin ?? '')
  typed[makerId] = ''
}
</script>

<template>
  <div class="fields">
    <form v-for="maker in makers" :key="maker.id" class="row pin" @submit.prevent="set(maker.id)">
      <v-text-field
        v-model="typed[maker.id]"
        :label="`PIN of ${maker.name}`"
        :hint="withPin.includes(maker.id) ? 'Has one; type to change it' : '4 to 12 figures'"
        persistent-hint
        type="password"
        inputmode="numeric"
        autocomplete="new-password"
      />
      <v-btn type="submit" size="small" :disabled="!isPin(typed[maker.id])">Set</v-btn>
    </form>
  </div>
</template>

<style scoped>
.pin {
  flex-wrap: nowrap;
  align-items: flex-start;
}
</style>
