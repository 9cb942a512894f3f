<script setup lang="ts">
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSeason } from '@/parts/seasonStore'
import type { LibraryEntry, Makeup } from '@vendange/core/recipe'
import type { Sentence } from '@vendange/core/findings'
import {
  cautionSentences,
  effectSentences,
  entryOf,
  makeupSentences,
  partEffects,
  partLibrary,
  plainName,
  usuallySentence,
} from '@vendange/core/recipe'
import { computed, ref } from 'vue'

/** Liquids and additives: the workshop's own that say what is in them, then the library's. */
const season = useSeason()
const { show, say } = useUnits()
const words = (sentences: readonly Sentence[]): string => sentences.map(say).join(', ')

interface Row {
  readonly key: string
  readonly kind: LibraryEntry['kind']
  readonly name: string
  readonly isOwn: boolean
  readonly densityGMl: number | undefined
  readonly entry: LibraryEntry | undefined
  readonly makeup: Makeup | undefined
}
const all = computed<readonly Row[]>(() => {
  const own = (season.view?.knownMakeups ?? []).map(({ kind, name, makeup }): Row => {
    const stated = season.view?.knownDensities.find(
      (one) => one.kind === kind && plainName(one.name) === plainName(name),
    )
    const entry = entryOf(kind, name)
    const densityGMl = stated?.densityGMl ?? entry?.densityGMl
    return { key: `own:${kind}:${name}`, kind, name, isOwn: true, densityGMl, entry, makeup }
  })
  const library = partLibrary.map((entry): Row => {
    const { kind, name, densityGMl, makeup } = entry
    return { key: `${kind}:${name}`, kind, name, isOwn: false, densityGMl, entry, makeup }
  })
  return [...own, ...library]
})

const search = ref('')
const effect = ref<(typeof partEffects)[number] | null>(null)
const effects = computed(() =>
  partEffects.map((value) => ({ value, title: say({ code: 'part_effect', params: { effect: value } }) })),
)
const shown = computed(() => {
  const text = plainName(search.value)
  return all.value.filter(
    ({ name, entry }) =>
      (plainName(name).includes(text) || entry?.words.test(text) === true) &&
      (effect.value === null || entry?.effects.includes(effect.value) === true),
  )
})
const groups = computed(() =>
  (['liquid', 'additive'] as const)
    .map((kind) => ({ kind, rows: shown.value.filter((row) => row.kind === kind) }))
    .filter(({ rows }) => rows.length > 0),
)
const title = { liquid: 'Liquids besides water', additive: 'Additives' } as const
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/formulate">Formulate</RouterLink> › Liquids and additives</p>
  <PageHeadline>
    {{
      shown.length === 0
        ? 'The library has no such thing. Put it into the stores, and say there what is in it.'
        : `${shown.length} liquids and additives: what is in them, how much is usual, what they do and what to mind.`
    }}
  </PageHeadline>
  <div class="row filters">
    <v-text-field v-model="search" label="Look for" hide-details clearable data-test="library-search" />
    <v-select v-model="effect" :items="effects" label="What it does" hide-details clearable />
  </div>
  <section v-for="{ kind, rows } in groups" :key="kind" class="sheet mt-6">
    <h2>{{ title[kind] }}</h2>
    <ul class="entries">
      <li v-for="row in rows" :key="row.key" data-test="library-entry">
        <div class="name">
          <span class="serif">{{ row.name }}</span>
          <span class="quiet">
            <template v-if="row.isOwn">of your stores</template>
            <template v-else-if="row.densityGMl">{{ show('density', row.densityGMl) }}</template>
          </span>
        </div>
        <p v-if="row.makeup">{{ words(makeupSentences(row.makeup)) }}</p>
        <template v-if="row.entry">
          <p class="first">
            {{ say(usuallySentence(row.entry)) }}<template v-if="row.entry.says === 'estimate'"> (estimates)</template>
          </p>
          <p class="quiet">{{ words(effectSentences(row.entry)) }}</p>
          <p class="must first">{{ cautionSentences(row.entry).map(say).join('; ') }}</p>
        </template>
      </li>
    </ul>
  </section>
  <p class="quiet mt-6">
    Typical figures of food and mineral tables, and of practice where it says estimates. What a pack or a certificate
    says goes before them: state it with the thing in the <RouterLink to="/stores">stores</RouterLink>.
  </p>
</template>

<style scoped>
.filters > * {
  flex: 1 1 200px;
  max-width: 360px;
}

.entries {
  padding: 0;
  margin: 8px 0 0;
  list-style: none;
}

.entries li {
  display: grid;
  grid-template-columns: 1.2fr 1fr 1.5fr 1.3fr 1.6fr;
  gap: 4px 20px;
  padding: 10px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.name {
  display: flex;
  flex-direction: column;
}

.name .serif {
  font-size: 1.1rem;
}

.entries p {
  margin: 0;
}

.first::first-letter {
  text-transform: uppercase;
}

@media (max-width: 960px) {
  .entries li {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }

  .entries .name {
    grid-column: 1 / -1;
  }
}

@media (max-width: 599px) {
  .entries li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
