import { useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { forgetDrafts } from '../common/useDraft'
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
  const whose = useSessionStorage('mellow-stand-school', '')
  const last = computed(() => [...list.value].reverse().find((d) => d.undo !== null) ?? null)
  const newest = computed(() => [...list.value].reverse())

  function add(words: string, undo: Undo | null) {
    const id = (list.value.at(-1)?.id ?? 0) + 1
    list.value = [...list.value, { id, words, undo }].slice(-mostRemembered)
  }

  function remove(id: number) {
    list.value = list.value.filter((d) => d.id !== id)
  }

  /** What was remembered of another school's data is of no use here, and would undo the wrong things. */
  function belongTo(school: string) {
    if (whose.value === school) return
    const isOther = whose.value !== ''
    whose.value = school
    if (!isOther) return
    list.value = []
    forgetDrafts()
  }

  /** Forgets an act that was taken back in another way than through this list. */
  function forget(isIt: (undo: Undo) => boolean) {
    list.value = list.value.filter((d) => d.undo === null || !isIt(d.undo))
  }

  return { list, last, newest, add, remove, forget, belongTo }
})
