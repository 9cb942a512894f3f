<script setup lang="ts">
import { api, problemOf, storeMakerId } from '@/parts/api'
import type { OwnScreen } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { computed, ref } from 'vue'
import { firstPageOf } from '@/parts/roleWords'

/** Where a screen is let in by its code, and its maker signs in. */
const own = ref<OwnScreen>()
const code = ref('')
const makerId = ref<string>()
const pin = ref('')
const trouble = ref<string>()
const isAsking = ref(true)
const needsCode = computed(() => !isAsking.value && own.value === undefined)

async function asking(work: () => Promise<OwnScreen>): Promise<void> {
  isAsking.value = true
  trouble.value = undefined
  try {
    own.value = await work()
    const [only] = own.value.makers.length === 1 ? own.value.makers : []
    makerId.value ??= only?.id
    if (own.value.makerId !== null) enter(own.value)
  } catch (error) {
    const { status, detail } = problemOf(error)
    // That nobody let it in is what this page is for.
    trouble.value = status === 401 ? undefined : detail
  } finally {
    isAsking.value = false
  }
}

function enter({ makerId: signedIn, role }: OwnScreen): void {
  if (signedIn !== null) storeMakerId(signedIn)
  window.location.assign(firstPageOf[role])
}

const pair = (): Promise<void> =>
  asking(() => api(endpoints.screens.pair, { body: { code: code.value.trim().toUpperCase() } }))
const signIn = (): Promise<void> =>
  asking(() => api(endpoints.screens.signIn, { body: { makerId: makerId.value ?? '', pin: pin.value } })).finally(
    () => {
      pin.value = ''
    },
  )

const fromCamera = window.location.hash.slice(1)
if (fromCamera === '') void asking(() => api(endpoints.screens.own))
else {
  // Good once: it need not stay in the address line.
  window.history.replaceState(null, '', window.location.pathname)
  code.value = fromCamera
  void pair()
}
</script>

<template>
  <div class="pair">
    <p class="serif name">Vendange</p>
    <template v-if="needsCode">
      <h1>This screen is not let in yet.</h1>
      <p>
        At the workshop’s computer open <b>Workshop</b>, then <b>Other screens</b>. Let this screen’s camera read the
        code there, or type it.
      </p>
      <form class="stack" @submit.prevent="pair">
        <v-text-field v-model="code" label="Code" autocapitalize="characters" autocomplete="off" data-test="code" />
        <v-btn type="submit" color="primary" variant="flat" size="x-large" :disabled="code === ''" data-test="pair"
          >Let this screen in</v-btn
        >
      </form>
    </template>
    <template v-else-if="own">
      <h1>{{ own.makers.length > 0 ? 'Who is at work?' : 'Nobody has a PIN yet.' }}</h1>
      <p v-if="own.makers.length === 0">Give each maker one at the workshop’s computer, under Other screens.</p>
      <form v-else class="stack" @submit.prevent="signIn">
        <div class="row" role="group" aria-label="Maker">
          <v-btn
            v-for="maker in own.makers"
            :key="maker.id"
            size="x-large"
            :color="maker.id === makerId ? 'primary' : undefined"
            :variant="maker.id === makerId ? 'flat' : 'outlined'"
            :aria-pressed="maker.id === makerId"
            @click="makerId = maker.id"
            >{{ maker.name }}</v-btn
          >
        </div>
        <v-text-field
          v-model="pin"
          label="PIN"
          type="password"
          inputmode="numeric"
          autocomplete="off"
          data-test="pin"
        />
        <v-btn
          type="submit"
          color="primary"
          variant="flat"
          size="x-large"
          :loading="isAsking"
          :disabled="makerId === undefined || pin === ''"
          data-test="sign-in"
          >Sign in</v-btn
        >
      </form>
      <p v-if="own.name === null && own.makers.length > 0" class="quiet">
        A PIN is forgotten? Stop Vendange, run <code>npm run forget-pins</code> at this computer and start it again.
      </p>
    </template>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.pair {
  display: flex;
  flex-direction: column;
  gap: 18px;
  max-width: 460px;
  margin: 0 auto;
  padding: 12vh 20px 40px;
}

.name {
  font-size: 1.6rem;
  color: rgb(var(--v-theme-primary));
}

h1 {
  font-size: 1.75rem;
  line-height: 1.24;
}
</style>
