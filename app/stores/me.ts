import { defineStore } from 'pinia'

export interface Me { kind: 'teacher' | 'student', id: string, name: string }

/** Who is signed in at this device. */
export const useMe = defineStore('me', () => {
  const me = ref<Me | null>(null)
  const asked = ref(false)
  async function load() {
    // An empty answer is what nobody gets.
    me.value = (await ask<Me | ''>('/api/session')) || null
    asked.value = true
    return me.value
  }
  async function leave() {
    await ask('/api/session', { method: 'DELETE' })
    me.value = null
  }
  return { me, asked, load, leave }
})
