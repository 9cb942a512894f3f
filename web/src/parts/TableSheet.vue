<script setup lang="ts" generic="Row extends object">
import { usePhone } from '@/parts/usePhone'
import type { ServedTable } from './useServedTable'
import { computed, ref } from 'vue'
import { useDisplay } from 'vuetify'

/** A table that the server sorts and pages, with what narrows it down above it. */
const { columns, served } = defineProps<{
  served: ServedTable<Row>
  /** Columns have room from a width of the screen on, px. */
  columns: readonly {
    readonly title: string
    readonly key: string
    readonly from: number
    readonly align?: 'end'
    readonly sortable?: boolean
  }[]
  /** What its lines are called: "Loaves". */
  lines: string
  /** What to look for by words. */
  look: string
}>()
const slots = defineSlots<{
  wishes?: () => unknown
  [cell: `item.${string}`]: (props: { item: Row }) => unknown
}>()

const { wishes, page, perPage, sortBy, table: told, isAsking, isNarrowed, clear } = served
const { width } = useDisplay()
/** What a screen has no room for stands on the line's own page. */
const headers = computed(() => columns.filter(({ from }) => width.value >= from))
/** On a phone the table comes before what narrows it down. */
const isPhone = usePhone()
const isOpen = ref(false)
const perPages = [25, 50, 100].map((value) => ({ value, title: String(value) }))
/** Cells that are told in other ways than as they stand. */
const cells = computed(() => headers.value.map(({ key }) => `item.${key}` as const).filter((cell) => cell in slots))
</script>

<template>
  <section v-if="told && (told.total > 0 || isNarrowed)" class="sheet stack">
    <div class="fields wishes">
      <v-text-field v-model="wishes.text" :label="look" clearable hide-details @click:clear="wishes.text = ''" />
      <slot v-if="!isPhone || isOpen" name="wishes" />
    </div>
    <div v-if="isPhone || isNarrowed" class="row">
      <v-btn v-if="isPhone" size="small" data-test="narrow-down" @click="isOpen = !isOpen">{{
        isOpen ? 'Fewer wishes' : 'Narrow down'
      }}</v-btn>
      <v-btn v-if="isNarrowed" size="small" variant="text" data-test="clear-wishes" @click="clear"
        >Show all again</v-btn
      >
    </div>
    <v-data-table-server
      v-model:page="page"
      v-model:items-per-page="perPage"
      v-model:sort-by="sortBy"
      class="lines"
      :headers="headers"
      :items="[...told.rows]"
      :items-length="told.total"
      :items-per-page-options="perPages"
      :loading="isAsking"
      must-sort
      :no-data-text="`No ${lines.toLowerCase()} are like that.`"
      :items-per-page-text="`${lines} a page`"
    >
      <template v-for="cell in cells" #[cell]="{ item }" :key="cell">
        <slot :name="cell" :item="item" />
      </template>
    </v-data-table-server>
  </section>
</template>

<style scoped>
.wishes {
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
}

.lines {
  background: transparent;
}

.lines :deep(:is(td, th)) {
  padding-inline: 10px;
}
</style>
