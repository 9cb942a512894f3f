<script setup lang="ts">
import CodeScanner from '@/parts/CodeScanner.vue'
import { useSeason } from '@/parts/seasonStore'
import { lotOfCode } from '@vendange/core/cure'
import { deliveryOfCode } from '@vendange/core/stores'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

const open = defineModel<boolean>({ required: true })
const season = useSeason()
const router = useRouter()
const text = ref('')
watch(open, () => (text.value = ''))

const all = computed(() => [
  ...season.collections.map(({ id, name }) => ({ kind: 'collection', name, path: `/plan/${id}` })),
  ...season.designs.map(({ id, name, collectionId }) => ({
    kind: season.collection(collectionId)?.name ?? 'soap',
    name,
    path: `/soaps/${id}`,
  })),
  ...season.recipes.map(({ id, name }) => ({ kind: 'recipe', name, path: `/formulate/${id}` })),
  ...season.moulds.map(({ id, name }) => ({ kind: 'mould', name, path: `/stores/moulds/${id}` })),
  ...season.loaves.map(({ id, name, lotCode }) => ({ kind: 'lot', name: `${lotCode} ${name}`, path: `/loaves/${id}` })),
])
const found = computed(() => {
  const wanted = text.value.trim().toLowerCase()
  return wanted === '' ? [] : all.value.filter(({ name }) => name.toLowerCase().includes(wanted)).slice(0, 8)
})

/** A lot opens its story, a delivery where it went; what else a code says is looked for. */
function scanned(code: string): void {
  const delivery = deliveryOfCode(code)
  if (delivery !== undefined) return go(`/stores/lots/${delivery}/trace`)
  text.value = lotOfCode(code)
  const loaf = season.loaves.find(({ lotCode }) => lotCode.toLowerCase() === text.value.toLowerCase())
  if (loaf) go(`/loaves/${loaf.id}`)
}

function go(path: string | undefined): void {
  if (path === undefined) return
  open.value = false
  void router.push(path)
}
</script>

<template>
  <v-dialog v-model="open" max-width="560">
    <v-card title="Find">
      <v-card-text>
        <v-text-field v-model="text" label="Soap, recipe, mould or lot" autofocus @keydown.enter="go(found[0]?.path)" />
        <CodeScanner @read="scanned" />
        <v-list v-if="found.length > 0" density="compact">
          <v-list-item
            v-for="thing in found"
            :key="thing.path"
            :title="thing.name"
            :subtitle="thing.kind"
            @click="go(thing.path)"
          />
        </v-list>
        <p v-else-if="text.trim() !== ''" class="quiet mt-3">Nothing has that in its name.</p>
      </v-card-text>
    </v-card>
  </v-dialog>
</template>
