<script setup lang="ts">
import { momentWords } from '@/parts/momentWords'
import { api } from '@/parts/api'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import { useUndo } from '@/parts/undoStore'
import type { DeedView, InvitationView, Role, ScreensView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { computed, ref, shallowRef } from 'vue'
import ScreenPins from './ScreenPins.vue'
import { roleChoices, roleWords } from '@/parts/roleWords'

/** Letting tablets and phones of the local network in, and putting them out. */
const season = useSeason()
const undo = useUndo()
const view = shallowRef<ScreensView>()
const invitation = shallowRef<InvitationView>()
const deeds = shallowRef<readonly DeedView[]>()
const name = ref('Tablet at the bench')
const role = ref<Role>('maker')
const isBusy = ref(false)
const isOpen = computed(() => view.value?.address != null)
/** Its names beside its address. */
const otherHosts = computed(() =>
  (view.value?.hosts ?? []).filter((host) => !view.value?.address?.endsWith(`//${host}`)),
)
const pictureOf = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`
const nameOf = (makerId: string | null): string => season.makers.find(({ id }) => id === makerId)?.name ?? 'nobody'

api(endpoints.screens.list).then(
  (found) => (view.value = found),
  () => undefined,
)

async function changing(work: () => Promise<ScreensView>): Promise<void> {
  isBusy.value = true
  const changed = await runChange(work)
  if (changed) view.value = changed
  isBusy.value = false
}
const open = (opens: boolean | null): Promise<void> => {
  invitation.value = undefined
  return changing(() => api(endpoints.screens.network, { body: { isOpen: opens === true } }))
}
async function invite(): Promise<void> {
  invitation.value = await runChange(() =>
    api(endpoints.screens.invite, { body: { name: name.value, role: role.value } }),
  )
}
const putOut = (id: string): Promise<void> => changing(() => api(endpoints.screens.putOut, { params: { id } }))
const setPin = (id: string, pin: string): Promise<void> =>
  changing(() => api(endpoints.screens.setPin, { params: { id }, body: { pin } })).then(() => {
    undo.tell(`${nameOf(id)} signs in with this PIN from now on.`)
  })
async function showDeeds(): Promise<void> {
  deeds.value = await runChange(() => api(endpoints.screens.deeds))
}
</script>

<template>
  <section v-if="view" class="sheet stack" data-test="screens">
    <h2>Other screens</h2>
    <p class="quiet">
      A tablet at the bench, a phone at the stall: they come in over the local network, encrypted, and only those that
      you let in.
    </p>
    <v-checkbox
      :model-value="isOpen"
      label="Open to the local network"
      :disabled="isBusy"
      data-test="open-network"
      @update:model-value="open"
    />
    <template v-if="isOpen">
      <p>
        The workshop is at <b class="address">{{ view.address }}</b><template v-if="otherHosts.length > 0"
          >, and where the network knows its name at {{ otherHosts.join(' or ') }}</template
        >. It answers at no other.
      </p>
      <form class="fields" @submit.prevent="invite">
        <v-text-field v-model="name" label="Screen" maxlength="80" data-test="screen-name" />
        <v-select v-model="role" :items="roleChoices" label="May" data-test="screen-role" />
        <v-btn type="submit" color="primary" variant="flat" :disabled="name.trim() === ''" data-test="invite"
          >Let a screen in</v-btn
        >
      </form>
      <div v-if="invitation" class="row code" data-test="invitation">
        <img :src="pictureOf(invitation.picture)" alt="The code for the screen’s camera" width="190" height="190" />
        <div>
          <p>Let the camera of {{ name }} read this. It is good once, and for five minutes.</p>
          <p class="quiet address" data-test="invitation-link">{{ invitation.address }}</p>
        </div>
      </div>
      <details>
        <summary>A screen warns that it does not know this workshop</summary>
        <div class="row code">
          <img
            v-if="view.trustPicture"
            :src="pictureOf(view.trustPicture)"
            alt="The code of the certificate"
            width="140"
            height="140"
          />
          <ol>
            <li>Let its camera read this code and go on past the warning: the certificate is saved.</li>
            <li>
              On most tablets and phones: Settings, Security, Install a certificate, CA certificate, and choose it.
            </li>
            <li>
              On the others: Settings, Profile downloaded, Install; then General, About, Certificate trust, and switch
              it on.
            </li>
            <li>Then let the screen in by its own code, above.</li>
          </ol>
        </div>
      </details>
    </template>
    <table v-if="view.screens.length > 0" class="figures">
      <thead>
        <tr>
          <th>Screen</th>
          <th>May</th>
          <th>Signed in</th>
          <th>Last used</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="screen in view.screens" :key="screen.id" data-test="screen">
          <td>
            <b>{{ screen.name }}</b>
          </td>
          <td>{{ roleWords[screen.role] }}</td>
          <td>{{ nameOf(screen.makerId) }}</td>
          <td>{{ momentWords(screen.lastUsedAt) }}</td>
          <td class="number"><v-btn size="small" :disabled="isBusy" @click="putOut(screen.id)">Put out</v-btn></td>
        </tr>
      </tbody>
    </table>
    <ScreenPins :makers="season.makers" :with-pin="view.withPin" @set="setPin" />
    <div>
      <v-btn size="small" variant="text" data-test="show-deeds" @click="showDeeds">Who did what</v-btn>
    </div>
    <ol v-if="deeds" class="deeds" data-test="deeds">
      <li v-for="(deed, at) in deeds" :key="at">
        <span class="quiet">{{ momentWords(deed.at) }}</span> {{ deed.what
        }}<span class="quiet">{{
          [deed.maker, deed.screen ?? 'at the computer']
            .filter(Boolean)
            .map((one) => `, ${one}`)
            .join('')
        }}</span>
      </li>
      <li v-if="deeds.length === 0" class="quiet">Nothing yet.</li>
    </ol>
  </section>
</template>

<style scoped>
.address {
  overflow-wrap: anywhere;
}

.code {
  align-items: flex-start;
}

.code > :last-child {
  flex: 1 1 200px;
}

.code img {
  border-radius: 4px;
  background: #fff;
}

details ol {
  padding-left: 20px;
}

summary {
  min-height: 24px;
  cursor: pointer;
}

.deeds {
  max-height: 320px;
  overflow-y: auto;
  list-style: none;
}
</style>
