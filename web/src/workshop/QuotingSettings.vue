<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { changing } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import type { WorkshopDetails } from '@vendange/contract'
import { depositShareRange, marginShareRange, quoteValidRange, taxShareRange } from '@vendange/contract'

/** What a client reads on a quote beside its price. */
const quoting = defineModel<WorkshopDetails['quoting']>({ required: true })
const change = changing(quoting)
const errorOf = useErrorOf()
</script>

<template>
  <section class="sheet stack" data-test="quoting">
    <h2>What a client reads on a quote</h2>
    <div class="fields">
      <v-text-field
        :model-value="quoting.contact"
        class="wide"
        label="Under your name and address"
        hint="Telephone, e-mail"
        :error-messages="errorOf('quoting.contact') ?? []"
        @update:model-value="change({ contact: $event })"
      />
      <QuantityField
        :model-value="quoting.marginShare"
        kind="share"
        :range="marginShareRange"
        label="Margin on costs"
        :error="errorOf('quoting.marginShare')"
        @update:model-value="change({ marginShare: $event })"
      />
      <v-text-field
        :model-value="quoting.taxName"
        label="Tax is called"
        hint="Empty: none is charged"
        persistent-hint
        :error-messages="errorOf('quoting.taxName') ?? []"
        @update:model-value="change({ taxName: $event })"
      />
      <template v-if="quoting.taxName !== ''">
        <QuantityField
          :model-value="quoting.taxShare"
          kind="share"
          :range="taxShareRange"
          label="Tax"
          :digits="3"
          :error="errorOf('quoting.taxShare')"
          @update:model-value="change({ taxShare: $event })"
        />
        <v-checkbox
          :model-value="quoting.isTaxIncluded"
          label="Prices have the tax in them"
          @update:model-value="change({ isTaxIncluded: $event === true })"
        />
      </template>
      <QuantityField
        :model-value="quoting.depositShare"
        kind="share"
        :range="depositShareRange"
        label="Deposit asked for"
        :error="errorOf('quoting.depositShare')"
        @update:model-value="change({ depositShare: $event })"
      />
      <QuantityField
        :model-value="quoting.validDays"
        kind="days"
        :range="quoteValidRange"
        label="A quote is valid for"
        hint="Days"
        :error="errorOf('quoting.validDays')"
        @update:model-value="change({ validDays: $event })"
      />
    </div>
    <v-textarea
      :model-value="quoting.terms"
      label="Terms"
      rows="3"
      auto-grow
      :error-messages="errorOf('quoting.terms') ?? []"
      @update:model-value="change({ terms: $event })"
    />
  </section>
</template>
