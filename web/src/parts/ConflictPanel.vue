<script setup lang="ts" generic="T extends object">
import { useConflict, valueTold } from './useConflict'

const props = defineProps<{ mine: T; theirs: T; labels?: Readonly<Record<string, string>> }>()
const emit = defineEmits<{ settle: [chosen: T] }>()

const { differing, choice, chosen } = useConflict<T>(() => props)
</script>

<template>
  <section class="sheet conflict" role="alert" data-test="conflict">
    <h2>This was changed meanwhile, perhaps in another window.</h2>
    <p class="quiet">Nothing is lost. Choose what to keep.</p>
    <table class="figures">
      <thead>
        <tr>
          <th>Field</th>
          <th>Yours, not saved yet</th>
          <th>Saved meanwhile</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="key in differing" :key="key">
          <td>{{ labels?.[key] ?? key }}</td>
          <td>
            <label
              ><input v-model="choice[key]" type="radio" value="mine" :name="key" /> {{ valueTold(mine[key]) }}</label
            >
          </td>
          <td>
            <label
              ><input v-model="choice[key]" type="radio" value="theirs" :name="key" />
              {{ valueTold(theirs[key]) }}</label
            >
          </td>
        </tr>
      </tbody>
    </table>
    <div class="row">
      <v-btn color="primary" variant="flat" data-test="settle" @click="emit('settle', chosen())"
        >Keep what is chosen</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.conflict {
  border-color: rgb(var(--v-theme-must));
  margin-bottom: 18px;
}

.conflict .row {
  margin-top: 12px;
}
</style>
