<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { NewRecipe, RecipeVersion } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatInstant } from '@vendange/core/calendar'
import { recipeDifferences } from '@vendange/core/recipe'
import { computed, ref, watch } from 'vue'

/** The recipe as it stood before, each version with what it changed. */
const props = defineProps<{ id: string; version: number }>()
const emit = defineEmits<{ bringBack: [details: NewRecipe] }>()
const season = useSeason()
const { say } = useUnits()
const versions = ref<readonly RecipeVersion[]>([])
const trouble = ref<string>()

watch(
  () => [props.id, props.version],
  async () => {
    try {
      versions.value = await api(endpoints.recipeVersions, { params: { id: props.id } })
      trouble.value = undefined
    } catch (error) {
      trouble.value = problemOf(error).detail
    }
  },
  { immediate: true },
)

const rows = computed(() =>
  versions.value.map(({ at, details }, index) => {
    const before = versions.value[index + 1]?.details
    return {
      at,
      details,
      isNow: index === 0,
      changes: before ? recipeDifferences(before, season.withKnownMaterials(details)).map(say) : undefined,
    }
  }),
)
</script>

<template>
  <section v-if="rows.length > 1 || trouble" class="sheet stack" data-test="versions">
    <h2>How it came to be</h2>
    <p v-if="trouble" class="must">{{ trouble }}</p>
    <ol class="plain">
      <li v-for="row in rows" :key="row.at" class="row version">
        <div class="grow">
          <b>{{ formatInstant(row.at, season.workshop?.timeZone ?? 'UTC') }}</b><span v-if="row.isNow" class="quiet">
            as it is now</span
          >
          <ul v-if="row.changes && row.changes.length > 0" class="quiet">
            <li v-for="change in row.changes" :key="change">{{ change }}</li>
          </ul>
          <p v-else class="quiet">{{ row.changes ? 'No difference.' : 'The first that was kept.' }}</p>
        </div>
        <v-btn
          v-if="!row.isNow"
          size="small"
          variant="text"
          data-test="bring-back"
          @click="emit('bringBack', row.details)"
          >Make it so again</v-btn
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
.version {
  align-items: flex-start;
  padding: 8px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.grow {
  flex: 1;
}

.version ul {
  padding-left: 18px;
  font-size: 0.92rem;
}
</style>
