<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { WorkshopDetails } from '@vendange/contract'
import {
  endpoints,
  hoursOfDayRange,
  prepAheadRange,
  inchStyles,
  lengthUnits,
  massUnits,
  soapingTemperatureRange,
  vesselRange,
  temperatureUnits,
  workshopSchema,
} from '@vendange/contract'
import { cureLossRange, potLossRange } from '@vendange/core/recipe'
import { formatQuantity, scaleResolutionRange } from '@vendange/core/units'
import { weekHoursTotal } from '@vendange/core/season'
import { lyeRoundings } from '@vendange/core/recipe'
import { computed } from 'vue'
import ArchivePanel from './ArchivePanel.vue'
import BackupsPanel from './BackupsPanel.vue'
import CutTools from './CutTools.vue'
import DamagedRecords from './DamagedRecords.vue'
import DaysThatDiffer from './DaysThatDiffer.vue'
import MakerHours from './MakerHours.vue'
import NewMaker from './NewMaker.vue'
import PricingSettings from './PricingSettings.vue'
import QuotingSettings from './QuotingSettings.vue'
import OwnClaims from './OwnClaims.vue'
import ScreensPanel from './ScreensPanel.vue'
import SeasonSettings from './SeasonSettings.vue'

const season = useSeason()
const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const zones = Intl.supportedValuesOf('timeZone')
const currencies = Intl.supportedValuesOf('currency')

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: workshopSchema,
  source: () => season.workshop,
  save: (body: WorkshopDetails & { version: number }) => api(endpoints.updateWorkshop, { body }),
  label: () => 'the workshop',
})
const week = computed(() => formatQuantity('hours', weekHoursTotal(season.limits.working)))

const lyeRoundingWords = { down: 'Down', nearest: 'To nearest' } as const
const lyeRoundingChoices = lyeRoundings.map((value) => ({ value, title: lyeRoundingWords[value] }))
const inchStyleWords = { sixteenths: 'Fractions, 2 1/2', decimals: 'Decimals, 2.5' } as const
const inchStyleChoices = inchStyles.map((value) => ({ value, title: inchStyleWords[value] }))
</script>

<template>
  <template v-if="values">
    <PageHeadline>
      <template v-if="season.makers.length === 0">Who works here? Every record carries the name of its maker.</template>
      <template v-else
        >{{ season.makers.map(({ name }) => name).join(' and ') }} {{ season.makers.length === 1 ? 'has' : 'have' }}
        {{ week }} a week for soap.</template
      >
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" @settle="settle" />
    <DamagedRecords class="mb-4" />
    <div class="columns">
      <div class="stack">
        <section class="sheet stack">
          <div class="row head">
            <h2>The workshop</h2>
            <SaveState :status="status" :errors="errors" />
          </div>
          <div class="fields">
            <v-text-field v-model="values.name" class="wide" label="Name" :error-messages="errorOf('name') ?? []" />
            <v-select v-model="values.massUnit" :items="massUnits" label="Masses in" data-test="mass-unit" />
            <v-select v-model="values.lengthUnit" :items="lengthUnits" label="Lengths in" data-test="length-unit" />
            <v-select
              v-if="values.lengthUnit === 'in'"
              v-model="values.inchStyle"
              :items="inchStyleChoices"
              label="Inches as"
              data-test="inch-style"
            />
            <v-select v-model="values.temperatureUnit" :items="temperatureUnits" label="Temperatures in" />
            <ChoiceField v-model="values.currency" :items="currencies" label="Currency" :error="errorOf('currency')" />
            <ChoiceField v-model="values.timeZone" :items="zones" label="Time zone" :error="errorOf('timeZone')" />
          </div>
          <p class="eyebrow">At the bench</p>
          <div class="fields">
            <QuantityField
              v-model="values.scaleResolutionG"
              kind="mass"
              :range="scaleResolutionRange"
              :digits="2"
              label="Scale’s step"
              :error="errorOf('scaleResolutionG')"
            />
            <v-select
              v-model="values.lyeRounding"
              :items="lyeRoundingChoices"
              label="Lye is rounded"
              hint="Down: never less superfat"
              persistent-hint
            />
            <QuantityField
              v-model="values.largestPotMl"
              kind="volume"
              :range="vesselRange"
              label="Largest pot"
              hint="With room to stir; 0: not known"
              :error="errorOf('largestPotMl')"
            />
            <QuantityField
              v-model="values.lyeJugMl"
              kind="volume"
              :range="vesselRange"
              label="Lye jug"
              hint="With room to stir; 0: not known"
              :error="errorOf('lyeJugMl')"
            />
            <QuantityField
              v-model="values.soapingTemperatureC"
              kind="temperature"
              :range="soapingTemperatureRange"
              label="Lye and fats at"
              :error="errorOf('soapingTemperatureC')"
            />
            <QuantityField
              v-model="values.potLoss"
              kind="share"
              :range="potLossRange"
              label="Sticks to the pots"
              hint="Estimate"
              :error="errorOf('potLoss')"
            />
            <QuantityField
              v-model="values.cureLoss"
              kind="share"
              :range="cureLossRange"
              label="Lost in the cure"
              hint="Estimate"
              :error="errorOf('cureLoss')"
            />
          </div>
        </section>
        <SeasonSettings v-model="values" :weekdays="weekdays" />
        <OwnClaims v-model="values.ownClaims" />
      </div>
      <div class="stack">
        <section class="sheet stack">
          <h2>Makers and their hours</h2>
          <MakerHours v-for="maker in season.makers" :key="maker.id" :maker="maker" :weekdays="weekdays" />
          <NewMaker />
        </section>
        <section class="sheet stack">
          <h2>Hours of the workshop</h2>
          <p class="eyebrow">Days that differ for everyone</p>
          <DaysThatDiffer v-model="values.exceptions" add-label="Holiday, market or lost day" />
          <p class="eyebrow">A batch usually takes (estimates, until you time your own)</p>
          <div class="fields">
            <QuantityField
              v-model="values.prepHours"
              kind="hours"
              :range="hoursOfDayRange"
              label="Preparing"
              :error="errorOf('prepHours')"
            />
            <QuantityField
              v-if="values.prepHours > 0"
              v-model="values.prepAheadDays"
              kind="days"
              :range="prepAheadRange"
              label="Ahead, at most"
              hint="On the last working day before the pour"
              :error="errorOf('prepAheadDays')"
            />
            <QuantityField
              v-model="values.setupHours"
              kind="hours"
              :range="hoursOfDayRange"
              label="Set-up and clean-up"
              :error="errorOf('setupHours')"
            />
            <QuantityField
              v-model="values.pourHours"
              kind="hours"
              :range="hoursOfDayRange"
              label="Pouring"
              :error="errorOf('pourHours')"
            />
            <QuantityField
              v-model="values.cutHours"
              kind="hours"
              :range="hoursOfDayRange"
              label="Cutting"
              :error="errorOf('cutHours')"
            />
          </div>
        </section>
        <PricingSettings v-model="values.pricing" />
        <QuotingSettings v-model="values.quoting" />
        <CutTools v-model="values" />
        <BackupsPanel />
        <ScreensPanel />
        <ArchivePanel />
      </div>
    </div>
  </template>
</template>
