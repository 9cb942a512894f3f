<script setup lang="ts">
import { act } from '@/parts/act'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { takeAway } from '@/parts/takeAway'
import TheAnswer from '@/parts/TheAnswer.vue'
import { useUndo } from '@/parts/undoStore'
import { useSavedForm } from '@/parts/useSavedForm'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewOrder } from '@vendange/contract'
import { barsRange, centsRange, endpoints, labelMassRange, leadDaysRange, orderSchema } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import { nearestColour, totalOfOrder } from '@vendange/core/plan'
import { scentRateRange } from '@vendange/core/recipe'
import { formatMoney } from '@vendange/core/units'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import PictureColours from '@/parts/PictureColours.vue'
import { useQuote } from './useQuote'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show } = useUnits()

const order = computed(() => season.order(props.id))
const { options, promises, isLooking } = useQuote(() => order.value)
const chosen = ref(0)
watch(options, () => (chosen.value = 0))
const option = computed(() => options.value[chosen.value])
const promise = computed(() => promises.value[chosen.value])

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: orderSchema,
  source: () => order.value,
  save: (body: NewOrder & { version: number }) => api(endpoints.orders.update, { params: { id: props.id }, body }),
  label: () => order.value?.client ?? 'order',
})
const labels = {
  client: 'Client',
  bars: 'Bars',
  labelMassG: 'Label mass, g',
  dueDay: 'Due',
  scent: 'Scent',
  colours: 'Colours',
  packing: 'Packing',
  notes: 'Notes',
  charges: 'Charges',
}

const day = (number: number): string => addDays(season.today, number)
const on = (number: number): string => formatDay(day(number), season.today)
const money = (cents: number): string => formatMoney(cents, season.workshop?.currency ?? 'EUR')
const total = computed(() => totalOfOrder(values.value ?? { priceCents: null, charges: [], depositCents: 0 }))
const nameOf = (id: string): string => season.batches.find((batch) => batch.id === id)?.name ?? ''

const sentence = computed(() => {
  const now = order.value
  if (!now) return ''
  const due = formatDay(now.dueDay, season.today)
  if (now.collectionId !== null) return `${now.client}: accepted, ${now.bars} bars by ${due}.`
  if (!season.recipe(now.recipeId)) return `${now.client} wants ${now.bars} bars by ${due}. Choose a recipe to quote.`
  if (!option.value) return `${now.client} wants ${now.bars} bars, but no mould can make them at that mass.`
  const found = promise.value
  if (!found) return `${now.client} wants ${now.bars} bars by ${due}. Looking for days …`
  if (!found.asPlanned && !found.withMoves) return `${now.client}: there is no room for ${now.bars} bars this season.`
  const first = found.asPlanned?.due ?? Infinity
  const sooner = found.withMoves?.due ?? Infinity
  const price = `for ${money(option.value.priceCents)}`
  if (Number.isFinite(first) && day(first) <= now.dueDay)
    return `Yes: ${now.bars} bars can be ready on ${on(first)}, ${price}. ${now.client} wants them by ${due}.`
  if (Number.isFinite(sooner) && day(sooner) <= now.dueDay)
    return `Only if something moves: ${now.bars} bars by ${on(sooner)}, ${price}.`
  return `Not by ${due}: the earliest honest day for ${now.bars} bars is ${on(Math.min(first, sooner))}, ${price}.`
})

async function accept(withMoves: boolean): Promise<void> {
  const now = order.value
  const quoted = option.value
  const promised = withMoves ? promise.value?.withMoves : promise.value?.asPlanned
  if (!now || !quoted) return
  if (!promised) return useUndo().tell('The quote is being worked out anew. Look at it, then accept it.')
  if (withMoves) {
    const moves = promised.moved.flatMap(({ id, pour, cut }) => {
      const batch = season.batches.find((one) => one.id === id)
      return batch ? [{ batchId: id, pourDay: day(pour), cutDay: day(cut), version: batch.version }] : []
    })
    const moved = await act(() => api(endpoints.takePlan, { body: { moves, pours: [] } }))
    if (!moved) return
  }
  const days = [...promised.pours].sort((a, b) => a.id.localeCompare(b.id, 'en', { numeric: true }))
  const batches = quoted.batches.flatMap((batch, index) => {
    const at = days[index]
    return at ? [{ ...batch, pourDay: day(at.pour), cutDay: day(at.cut) }] : []
  })
  const accepted = await act(() =>
    api(endpoints.orders.accept, {
      params: { id: now.id },
      body: { version: now.version, priceCents: quoted.priceCents, batches },
    }),
  )
  if (accepted?.collectionId) await router.push(`/plan/${accepted.collectionId}`)
}

async function takeOrderAway(): Promise<void> {
  const now = order.value
  if (now && (await takeAway(endpoints.orders, { ...now, name: now.client }))) await router.push('/plan')
}
/** The colour the workshop has made already that comes nearest, when it comes near. */
const known = computed(() => season.designs.flatMap(({ colours }) => colours))
function nearest(hex: string): string {
  const found = /^#[0-9a-f]{6}$/i.test(hex) ? nearestColour(hex, known.value) : undefined
  return found ? `Nearest made so far: ${found.colour.name}, ${found.difference.toFixed(0)} away (ΔE)` : ''
}
const printQuote = (): void => window.print()
</script>

<template>
  <template v-if="order && values">
    <p class="quiet crumb plain no-print"><RouterLink to="/plan">Plan</RouterLink> › Order</p>
    <TheAnswer>
      {{ sentence }}
      <template #actions>
        <v-btn v-if="order.collectionId" color="primary" variant="flat" :to="`/plan/${order.collectionId}`"
          >See its pours</v-btn
        >
        <template v-else-if="option">
          <v-btn v-if="promise?.asPlanned" color="primary" variant="flat" data-test="accept" @click="accept(false)"
            >Accept for {{ on(promise.asPlanned.due) }}</v-btn
          >
          <v-btn v-if="promise?.withMoves" data-test="accept-moving" @click="accept(true)"
            >Move and accept for {{ on(promise.withMoves.due) }}</v-btn
          >
          <v-btn data-test="print-quote" @click="printQuote">Print the quote</v-btn>
        </template>
      </template>
    </TheAnswer>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns quoting">
      <section class="sheet stack no-print">
        <div class="row head">
          <h2>The order</h2>
          <SaveState :status="status" :errors="errors" />
        </div>
        <div class="fields">
          <v-text-field v-model="values.client" label="Client" :error-messages="errorOf('client') ?? []" />
          <v-text-field v-model="values.contact" label="Contact" :error-messages="errorOf('contact') ?? []" />
          <QuantityField v-model="values.bars" kind="count" :range="barsRange" label="Bars" :error="errorOf('bars')" />
          <QuantityField
            v-model="values.labelMassG"
            kind="mass"
            :range="labelMassRange"
            label="Mass on the label"
            :error="errorOf('labelMassG')"
          />
          <v-text-field v-model="values.dueDay" type="date" label="Due" :error-messages="errorOf('dueDay') ?? []" />
          <v-select
            v-model="values.recipeId"
            :items="season.recipes"
            item-title="name"
            item-value="id"
            label="Recipe"
            :error-messages="errorOf('recipeId') ?? []"
          />
          <v-text-field
            v-model="values.packing"
            class="wide"
            label="Packing"
            :error-messages="errorOf('packing') ?? []"
          />
          <QuantityField
            v-model="values.stampLeadDays"
            kind="days"
            :range="leadDaysRange"
            optional
            label="Stamp there in"
            hint="Days; empty: no stamp"
            :error="errorOf('stampLeadDays')"
          />
          <QuantityField
            v-model="values.depositCents"
            kind="money"
            :range="centsRange"
            label="Deposit paid"
            :error="errorOf('depositCents')"
          />
          <v-checkbox v-model="values.bevelled" label="Bevelled edges" />
        </div>
        <v-textarea v-model="values.notes" label="Notes" :error-messages="errorOf('notes') ?? []" />
        <fieldset>
          <legend class="eyebrow">Scent</legend>
          <v-btn v-if="values.scent === null" size="small" @click="values.scent = { name: 'Scent', rate: 0.03 }"
            >Add a scent</v-btn
          >
          <div v-else class="fields">
            <v-text-field
              v-model="values.scent.name"
              label="Name of the scent"
              :error-messages="errorOf('scent.name') ?? []"
            />
            <QuantityField
              v-model="values.scent.rate"
              kind="share"
              :range="scentRateRange"
              label="Share of the fats"
              :digits="2"
              :error="errorOf('scent.rate')"
            />
            <v-btn size="small" variant="text" @click="values.scent = null">No scent</v-btn>
          </div>
        </fieldset>
        <fieldset>
          <legend class="eyebrow">Colours to match</legend>
          <div v-for="(colour, index) in values.colours" :key="index" class="row swatch">
            <input v-model="colour.hex" type="color" :aria-label="`Colour ${index + 1}`" />
            <v-text-field
              v-model="colour.name"
              :label="`Name of colour ${index + 1}`"
              :hint="nearest(colour.hex)"
              persistent-hint
              :error-messages="errorOf(`colours[${index}].name`) ?? []"
            />
            <v-btn
              :icon="mdiClose"
              size="small"
              variant="text"
              :aria-label="`Take ${colour.name} away`"
              @click="values.colours.splice(index, 1)"
            />
          </div>
          <div class="row">
            <v-btn
              size="small"
              :prepend-icon="mdiPlus"
              @click="
                values.colours.push({ name: `colour ${values.colours.length + 1}`, hex: '#9A7224', rateGPerKg: 8 })
              "
              >Colour</v-btn
            >
          </div>
          <PictureColours
            class="mt-3"
            @pick="values.colours.push({ name: `colour ${values.colours.length + 1}`, hex: $event, rateGPerKg: 8 })"
          />
        </fieldset>
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeOrderAway">Take the order away</v-btn>
        </div>
      </section>

      <div class="stack">
        <section v-if="order.collectionId !== null" class="sheet stack" data-test="charges">
          <h2>It comes to {{ money(total.allCents) }}, {{ money(total.openCents) }} still to be paid</h2>
          <table class="figures">
            <tbody>
              <tr>
                <td>Price as quoted</td>
                <td class="number">{{ money(order.priceCents ?? 0) }}</td>
                <td class="no-print" />
              </tr>
              <tr v-for="(charge, at) in values.charges" :key="`${charge.day}${charge.what}`" data-test="charge">
                <td>{{ charge.what }}, {{ formatDay(charge.day, season.today) }}</td>
                <td class="number">{{ money(charge.cents) }}</td>
                <td class="number no-print">
                  <v-btn
                    :icon="mdiClose"
                    size="small"
                    variant="text"
                    :aria-label="`Do not charge ${charge.what}`"
                    @click="values.charges.splice(at, 1)"
                  />
                </td>
              </tr>
              <tr v-if="order.depositCents > 0">
                <td>Deposit paid</td>
                <td class="number">−{{ money(order.depositCents) }}</td>
                <td class="no-print" />
              </tr>
            </tbody>
          </table>
          <p v-if="values.charges.length === 0" class="quiet">
            What is finished beyond the quote, such as bevelled edges, is put here when it is logged.
          </p>
        </section>
        <section v-if="options.length > 0 && order.collectionId === null" class="sheet" data-test="quote">
          <div class="row head">
            <h2>Ways to make it</h2>
            <SoapFace
              :name="order.client"
              :soap="{ name: order.client, colours: order.colours.map(({ hex }) => ({ hex, share: 1 })) }"
              :width="64"
              :height="42"
            />
          </div>
          <v-radio-group v-model="chosen" hide-details>
            <table class="figures">
              <thead>
                <tr>
                  <th class="no-print"></th>
                  <th>Loaves and bars</th>
                  <th class="number">A bar, cured</th>
                  <th class="number">Hours</th>
                  <th>Ready</th>
                  <th class="number">Price</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(one, index) in options" :key="one.title" data-test="option">
                  <td class="no-print"><v-radio :value="index" :aria-label="one.title" /></td>
                  <td>
                    <template v-for="part in one.parts" :key="part.mould.id"
                      ><b>{{ part.loaves }} × {{ part.mould.name }}</b
                      >, cut {{ show('length', part.barThicknessMm) }}<br
                    /></template>
                    <small class="quiet"
                      >{{ one.bars }} bars, {{ one.spareBars }} spare;
                      {{ one.batches.length === 1 ? 'one pour' : `${one.batches.length} pours` }}</small
                    >
                  </td>
                  <td class="number" :class="{ must: one.barCuredG < order.labelMassG }">
                    {{ show('mass', one.barCuredG, 0) }}
                  </td>
                  <td class="number">{{ one.hours }}</td>
                  <td>
                    <template v-if="promises[index]?.asPlanned">{{ on(promises[index]!.asPlanned!.due) }}</template>
                    <template v-else-if="isLooking">…</template>
                    <template v-else>no room</template>
                  </td>
                  <td class="number">{{ money(one.priceCents) }}</td>
                </tr>
              </tbody>
            </table>
          </v-radio-group>
        </section>
        <section v-if="option && order.collectionId === null" class="sheet stack">
          <h2>{{ option.title }}</h2>
          <p v-if="promise?.asPlanned" data-test="promise">
            Nothing else moves: ready on <b>{{ on(promise.asPlanned.due) }}</b>, pours on
            {{
              promise.asPlanned.pours
                .map(({ pour }) => on(pour))
                .sort()
                .join(', ')
            }}.
          </p>
          <p v-if="promise?.withMoves" class="brass" data-test="promise-moving">
            Ready on <b>{{ on(promise.withMoves.due) }}</b> if
            <template v-for="move in promise.withMoves.moved" :key="move.id"
              >{{ nameOf(move.id) }} moves to {{ on(move.pour) }}</template
            >.
          </p>
          <p class="quiet">
            <template v-for="part in option.parts" :key="part.mould.id"
              >{{ part.mould.name }}: {{ part.barsPerLoaf }} bars a loaf, {{ show('mass', part.barWetG, 0) }} each when
              cut, about {{ show('mass', part.barCuredG, 0) }} cured (estimate). </template
            >The label says {{ show('mass', order.labelMassG, 0) }}; {{ option.spareBars }} bars are spare for breakage.
          </p>
          <FindingList :findings="option.findings" />
          <div class="two">
            <table class="figures">
              <thead>
                <tr>
                  <th>Ingredients</th>
                  <th class="number">Mass</th>
                  <th class="number">Cost</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="part in option.ingredients" :key="part.name">
                  <td>{{ part.name }}</td>
                  <td class="number">{{ show('mass', part.massG, 0) }}</td>
                  <td class="number">{{ part.cents === undefined ? 'no price' : money(part.cents) }}</td>
                </tr>
              </tbody>
            </table>
            <table class="figures">
              <thead>
                <tr>
                  <th>Price</th>
                  <th class="number">{{ option.hours }} h of work</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="part in option.priceParts" :key="part.name">
                  <td>{{ part.name }}</td>
                  <td class="number">{{ money(part.cents) }}</td>
                </tr>
                <tr>
                  <td><b>In all</b></td>
                  <td class="number">
                    <b data-test="price">{{ money(option.priceCents) }}</b>
                  </td>
                </tr>
                <tr v-if="order.depositCents > 0">
                  <td>Deposit paid</td>
                  <td class="number">{{ money(order.depositCents) }}</td>
                </tr>
              </tbody>
            </table>
          </div>
          <p class="quiet small">Hours, prices and breakage are the workshop’s own estimates.</p>
        </section>
      </div>
    </div>
  </template>
  <TheAnswer v-else>There is no such order.</TheAnswer>
</template>

<style scoped>
@media (min-width: 1100px) {
  .quoting {
    grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  }
}

@media print {
  .quoting {
    display: block;
  }
}

.two {
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: 26px;
  align-items: start;
}

.small {
  font-size: 0.85rem;
}
</style>
