<script setup lang="ts">
import { eventWords } from '@/parts/eventWords'
import { useUnits } from '@/parts/format'
import { momentWords } from '@/parts/momentWords'
import type { Kept } from '@/parts/outbox/kept'
import { useOutbox } from '@/parts/outbox/outbox'
import { useSeason } from '@/parts/seasonStore'

/** What the workshop did not take, beside what it has instead. Nothing goes before somebody says so. */
defineProps<{ things: readonly Kept[] }>()
const outbox = useOutbox()
const season = useSeason()
const units = useUnits()

/** What others wrote down of the same loaf while this screen was away. */
function theirs(one: Kept): readonly string[] {
  if (one.kind !== 'event' || !one.notTaken?.theirs) return []
  return one.notTaken.theirs.events
    .filter(({ sequence }) => sequence > one.what.version)
    .map(({ event, makerName, at }) => `${makerName}, ${momentWords(at)}: ${eventWords(event, units)}`)
}

/** A sale that found no bar is settled with its buyer; it is not sold once more. */
const canGoAgain = ({ kind }: Kept): boolean => kind !== 'sale'

/** It goes onto the record after what the others did. */
async function recordMine(one: Kept): Promise<void> {
  if (one.kind === 'step') {
    const { seen: _, ...step } = one.what.step
    return outbox.sendAgain({ ...one, what: { ...one.what, step } })
  }
  if (one.kind !== 'event') return
  const version = one.notTaken?.theirs?.loaf.version ?? season.loaf(one.what.loafId)?.version ?? one.what.version
  return outbox.sendAgain({ ...one, what: { ...one.what, version } })
}
</script>

<template>
  <section class="sheet">
    <h2>To settle</h2>
    <ul class="bare">
      <li v-for="one in things" :key="one.order" data-test="to-settle">
        <dl>
          <dt>Yours, {{ momentWords(one.takenAtMs) }}</dt>
          <dd>{{ one.told }}</dd>
          <dt>{{ theirs(one).length > 0 ? 'Meanwhile in the workshop' : 'Not taken' }}</dt>
          <dd v-for="line in theirs(one)" :key="line">{{ line }}</dd>
          <dd v-if="theirs(one).length === 0">{{ one.notTaken?.message }}</dd>
        </dl>
        <div class="row">
          <v-btn v-if="canGoAgain(one)" color="primary" variant="flat" @click="recordMine(one)"
            >Record mine as well</v-btn
          >
          <v-btn @click="outbox.drop([one.order])">{{ canGoAgain(one) ? 'Leave mine out' : 'It is settled' }}</v-btn>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li + li {
  margin-top: 18px;
  padding-top: 18px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

dl {
  display: grid;
  grid-template-columns: minmax(8em, auto) 1fr;
  gap: 6px 18px;
  margin-bottom: 12px;
}

dt {
  grid-column: 1;
  color: rgb(var(--v-theme-quiet));
}

dd {
  grid-column: 2;
  margin: 0;
}

@media (max-width: 599px) {
  dl {
    display: block;
  }

  dd + dt {
    margin-top: 8px;
  }
}
</style>
