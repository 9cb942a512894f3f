<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import { api, problemOf } from '@/parts/api'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPlus } from '@mdi/js'
import type { NewRecipe } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { contentKeys } from '@vendange/core/fats'
import { contentWords } from '@vendange/words'
import { fatDifferences } from '@vendange/core/recipe'
import type { Wish, WishAnswer } from '@vendange/core/wishes'
import { wishSentence } from '@vendange/core/wishes'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'

/** Wishes for a recipe, and the one nearest to it that fulfils them. */
const fats = defineModel<NewRecipe['fats']>({ required: true })
const props = defineProps<{
  superfat: number
  /** g of fats in a bar, for wishes about its cost. */
  fatsGPerBar: number
}>()
const season = useSeason()
const { show, say } = useUnits()
const shareRange = { min: 0, max: 1 }
const moneyRange = { min: 1, max: 100_000 }

/** A wish as its row of fields has it; what the kind does not need is kept, should the maker choose it again. */
interface WishLine {
  about: 'fat' | 'polyunsaturated' | 'foaming' | 'firm' | 'liquid' | 'free_of' | 'bar_cost'
  fatKey: string
  content: (typeof contentKeys)[number]
  sense: 'at_most' | 'at_least'
  limit: number
  cents: number
}
const abouts = [
  { value: 'fat', title: 'A fat' },
  { value: 'polyunsaturated', title: 'Polyunsaturates' },
  { value: 'foaming', title: 'Quick foam' },
  { value: 'firm', title: 'Firm acids' },
  { value: 'liquid', title: 'Liquid at 20 °C' },
  { value: 'free_of', title: 'Without' },
  { value: 'bar_cost', title: 'Cost of a bar' },
] as const
const senses = [
  { value: 'at_most', title: 'at most' },
  { value: 'at_least', title: 'at least' },
] as const
const contents = contentKeys.map((value) => ({ value, title: `anything ${contentWords[value]}` }))
const everyFat = computed(() => season.fats.map(({ key, name }) => ({ value: key, title: name })))

const lines = ref<WishLine[]>([])
const mayAddFats = ref(true)
const route = useRoute()
useKeptFields(`wishes:${route.path}`, { lines, mayAddFats })
const answer = shallowRef<WishAnswer>()
const asked = shallowRef<readonly Wish[]>([])
const trouble = ref<string>()
const isAsking = ref(false)

function addWish(): void {
  const fatKey = fats.value[0]?.fatKey ?? 'olive'
  lines.value.push({ about: 'fat', fatKey, content: 'palm', sense: 'at_most', limit: 0.2, cents: 100 })
}
function wishOf({ about, fatKey, content, sense, limit, cents }: WishLine): Wish {
  switch (about) {
    case 'fat':
      return { kind: 'fat', fatKey, sense, limit }
    case 'liquid':
      return { kind: 'liquid', sense, limit }
    case 'free_of':
      return { kind: 'free_of', content }
    case 'bar_cost':
      return { kind: 'bar_cost', limitCents: cents }
    default:
      return { kind: 'acids', acids: about, sense, limit }
  }
}
const hasSense = ({ about }: WishLine): boolean => about !== 'free_of' && about !== 'bar_cost'

async function ask(): Promise<void> {
  isAsking.value = true
  trouble.value = undefined
  asked.value = lines.value.map(wishOf)
  try {
    answer.value = await api(endpoints.nearestRecipe, {
      body: {
        fats: fats.value,
        superfat: props.superfat,
        wishes: asked.value,
        locked: [],
        mayAdd: mayAddFats.value ? season.fats.filter(({ kind }) => kind === 'triglyceride').map(({ key }) => key) : [],
        fatsGPerBar: props.fatsGPerBar,
      },
    })
  } catch (error) {
    answer.value = undefined
    trouble.value = problemOf(error).detail
  } finally {
    isAsking.value = false
  }
}
const nameOf = (fatKey: string): string => season.fat(fatKey)?.name ?? fatKey
const words = (wish: Wish): string => say(wishSentence(wish, nameOf))
const sentence = computed(() => {
  const found = answer.value
  if (found?.kind !== 'contradiction') return ''
  const named = found.wishes.flatMap((index) => asked.value[index] ?? []).map(words)
  return named.length === 1
    ? `No recipe of these fats has ${named.join('')}.`
    : `These wishes contradict each other: ${named.join('; ')}. Without any one of them the others can be.`
})
const differences = computed(() =>
  answer.value?.kind === 'nearest' ? fatDifferences(fats.value, answer.value.fats, nameOf) : [],
)
function take(): void {
  if (answer.value?.kind !== 'nearest') return
  fats.value = answer.value.fats.map(({ fatKey, share, atTrace = false }) => ({ fatKey, share, atTrace }))
  answer.value = undefined
}
</script>

<template>
  <section class="sheet stack" data-test="wishes">
    <h2>Nearest recipe with …</h2>
    <RemovableRow
      v-for="(line, index) in lines"
      :key="index"
      :what="`wish ${index + 1}`"
      @remove="lines.splice(index, 1)"
    >
      <div class="wish" data-test="wish">
        <v-select v-model="line.about" :items="abouts" :label="`Wish ${index + 1}`" />
        <ChoiceField v-if="line.about === 'fat'" v-model="line.fatKey" :items="everyFat" label="Which fat" />
        <v-select v-if="line.about === 'free_of'" v-model="line.content" :items="contents" label="Of what" />
        <v-select v-if="hasSense(line)" v-model="line.sense" :items="senses" label="Sense" />
        <QuantityField v-if="hasSense(line)" v-model="line.limit" kind="share" :range="shareRange" label="Limit" />
        <QuantityField
          v-if="line.about === 'bar_cost'"
          v-model="line.cents"
          kind="money"
          :range="moneyRange"
          label="Fats and lye, at most"
        />
      </div>
    </RemovableRow>
    <div class="row">
      <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-wish" @click="addWish">Wish</v-btn>
      <v-checkbox v-model="mayAddFats" density="compact" label="Other fats may come in" hide-details />
    </div>
    <div v-if="lines.length > 0">
      <v-btn color="primary" variant="flat" :loading="isAsking" data-test="ask-wishes" @click="ask"
        >Find the nearest recipe</v-btn
      >
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <p v-if="sentence" class="must" role="alert" data-test="contradiction">
      {{ sentence }}
      <template v-if="answer?.kind === 'contradiction' && answer.locksStand"> The locked fats are part of it.</template>
    </p>
    <template v-if="answer?.kind === 'nearest'">
      <p v-if="differences.length === 0" class="vine">The recipe fulfils all of that as it is.</p>
      <template v-else>
        <p>
          <b>{{ show('share', answer.changed) }}</b> of the fats would be others:
        </p>
        <table class="figures" data-test="wish-answer">
          <tbody>
            <tr v-for="line in differences" :key="line.what">
              <td>{{ line.what }}</td>
              <td class="number quiet">{{ line.before === undefined ? '–' : show('share', line.before) }}</td>
              <td class="number">
                <b>{{ line.after === undefined ? 'none' : show('share', line.after) }}</b>
              </td>
            </tr>
          </tbody>
        </table>
        <div><v-btn data-test="take-wishes" @click="take">Take it into the recipe</v-btn></div>
      </template>
    </template>
  </section>
</template>

<style scoped>
.wish {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(max(118px, var(--least-field)), 1fr));
  gap: 10px 8px;
  margin-bottom: 10px;
}
</style>
