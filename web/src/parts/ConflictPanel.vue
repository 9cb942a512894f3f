<script setup lang="ts" generic="T extends object">
import { computed, ref, watch } from 'vue'

const props = defineProps<{ mine: T; theirs: T; labels?: Readonly<Record<string, string>> }>()
const emit = defineEmits<{ settle: [chosen: T] }>()

type Side = 'mine' | 'theirs'
const differing = computed(() =>
  (Object.keys(props.mine) as (keyof T & string)[]).filter(
    (key) => JSON.stringify(props.mine[key]) !== JSON.stringify(props.theirs[key]),
  ),
)
const choice = ref<Record<string, Side>>({})
watch(differing, (keys) => (choice.value = Object.fromEntries(keys.map((key) => [key, choice.value[key] ?? 'mine']))), {
  immediate: true,
})

/** A value in words, whatever its shape. */
function tell(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing'
  if (Array.isArray(value)) return value.map(tell).join('; ')
  if (typeof value === 'object') return Object.values(value).map(tell).join(' ')
  return typeof value === 'string' ? value : JSON.stringify(value)
}

function settle(): void {
  const chosen = { ...props.mine }
  for (const key of differing.value) if (choice.value[key] === 'theirs') chosen[key] = props.theirs[key]
  emit('settle', chosen)
}
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
            <label><input v-model="choice[key]" type="radio" value="mine" :name="key" /> {{ tell(mine[key]) }}</label>
          </td>
          <td>
            <label
              ><input v-model="choice[key]" type="radio" value="theirs" :name="key" /> {{ tell(theirs[key]) }}</label
            >
          </td>
        </tr>
      </tbody>
    </table>
    <div class="row">
      <v-btn color="primary" variant="flat" data-test="settle" @click="settle">Keep what is chosen</v-btn>
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
