import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { may, SessionState, type Permission } from '@vivid/contract'
import { request } from '../api/request'

/** Who is signed in at this desk. */
export const useSession = defineStore('session', () => {
  const state = ref<SessionState>()
  const person = computed(() => state.value?.person ?? undefined)

  async function load(): Promise<void> {
    state.value ??= await request(SessionState, 'GET', '/session')
  }

  async function signIn(email: string, password: string): Promise<void> {
    state.value = await request(SessionState, 'POST', '/session', { email, password })
  }

  /** The second step: a code, or what a passkey signed. */
  async function giveSecond(code: string): Promise<void> {
    state.value = await request(SessionState, 'POST', '/session/second', { code })
  }
  async function usePasskey(response: unknown): Promise<void> {
    state.value = await request(SessionState, 'POST', '/session/passkey', { response })
  }

  async function signOut(): Promise<void> {
    state.value = await request(SessionState, 'DELETE', '/session')
  }

  /** The server ended the session: ask again who is here. */
  function forget(): void {
    state.value = undefined
  }

  const can = (permission: Permission): boolean =>
    person.value !== undefined && may(person.value.role, permission)

  return { state, person, load, signIn, giveSecond, usePasskey, signOut, forget, can }
})
