import type { Endpoint, NewLoafEvent, OwnScreen, Role } from '@vendange/contract'
import { endpoints, mayRecordEvent, rolesOf } from '@vendange/contract'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { api, storeMakerId } from './api'

/** What this screen may do. The computer itself may do all, once its maker has signed in where makers have PINs. */
export const useOwnScreen = defineStore('ownScreen', () => {
  const isOfNetwork = window.location.protocol === 'https:'
  const own = shallowRef<OwnScreen>()
  const role = computed<Role>(() => own.value?.role ?? (isOfNetwork ? 'stall' : 'owner'))

  async function load(): Promise<void> {
    own.value = await api(endpoints.screens.own)
    if (own.value.makerId !== null) storeMakerId(own.value.makerId)
  }
  async function signOut(): Promise<void> {
    await api(endpoints.screens.signOut)
    window.location.assign('/pair')
  }
  /** Whether this screen may use something; what it may not is not offered. */
  const may = (endpoint: Endpoint): boolean => rolesOf(endpoint).includes(role.value)
  /** Whether it may write such a thing on a loaf's record. */
  const mayRecord = (type: NewLoafEvent['type']): boolean => mayRecordEvent(role.value, type)
  return { isOfNetwork, own, role, load, signOut, may, mayRecord }
})
