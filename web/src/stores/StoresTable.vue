<script setup lang="ts">
import type { StoresLine } from '@vendange/core/stores'
import { ingredientKinds, ingredientKindWords } from '@vendange/core/stores'
import { computed } from 'vue'
import { useAmounts } from './useAmounts'

/** Everything that is kept, by its kind. */
const props = defineProps<{ lines: readonly StoresLine[] }>()
const amount = useAmounts()

const groups = computed(() =>
  ingredientKinds
    .map((kind) => ({
      name: ingredientKindWords[kind],
      lines: props.lines
        .filter((line) => line.kind === kind && line.ingredient !== undefined)
        .sort((a, b) => a.name.localeCompare(b.name)),
    }))
    .filter(({ lines }) => lines.length > 0),
)
</script>

<template>
  <div class="groups">
    <section v-for="group in groups" :key="group.name" class="sheet">
      <h2>{{ group.name }}</h2>
      <table class="figures">
        <thead>
          <tr>
            <th>What</th>
            <th class="number">In store</th>
            <th class="number">Reserved</th>
            <th class="number">Free</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in group.lines" :key="line.key">
            <td>
              <RouterLink class="plain" :to="`/stores/ingredients/${line.ingredient?.id ?? ''}`">{{
                line.name
              }}</RouterLink>
              <small v-if="line.onOrder > 0" class="quiet"
                ><br />{{ amount(line.kind, line.onOrder) }} on the way</small
              >
              <small v-if="line.unusable > 0" class="must"
                ><br />{{ amount(line.kind, line.unusable) }} recalled or past its day</small
              >
            </td>
            <td class="number">{{ amount(line.kind, line.inStore) }}</td>
            <td class="number">{{ line.reserved > 0 ? amount(line.kind, line.reserved) : '–' }}</td>
            <td class="number" :class="line.shortage ? 'must' : 'vine'">
              {{ line.shortage ? 'short' : amount(line.kind, line.free) }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.groups {
  columns: 2 380px;
  column-gap: 20px;
}

.sheet {
  break-inside: avoid;
  margin-bottom: 20px;
}

table.figures td {
  padding-block: 5px;
}
</style>
