import { useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { Undo } from './undoers'

/** Something the director did in this session, newest last, with the way back where there is one. */
export interface Done {
  id: number
  /** What was done, in a sentence. */
  words: string
  undo: Undo | null
}

const mostRemembered = 100

/** The acts of this session; kept over a reload of the page. */
export const useActs = defineStore('acts', () => {
  const list = useSessionStorage<Done[]>('mellow-stand-acts', [])
  const last = computed(() => [...list.value].reverse().find((d) => d.undo !== null) ?? null)
  const newest = computed(() => [...list.value].reverse())

  function add(words: string, undo: Undo | null) {
    const id = (list.value.at(-1)?.id ?? 0) + 1
    list.value = [...list.value, { id, words, undo }].slice(-mostRemembered)
  }

  function remove(id: number) {
    list.value = list.value.filter((d) => d.id !== id)
  }

  /** Forgets an act that was taken back in another way than through this list. */
  function forget(isIt: (undo: Undo) => boolean) {
    list.value = list.value.filter((d) => d.undo === null || !isIt(d.undo))
  }

  return { list, last, newest, add, remove, forget }
})
