<script setup lang="ts">
import { Spin as ASpin } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type ShelfPiece } from '../../api/client'
import { keys, useShelf } from '../../api/queries'
import { useSets } from '../../auditions/queries'
import { queries } from '../../api/queryClient'
import JobsBar from '../../shell/JobsBar.vue'
import ImportBox from './ImportBox.vue'
import PieceDialog from './PieceDialog.vue'
import ShelfTable from './ShelfTable.vue'

const shelf = useShelf()
const auditions = useSets()
const editing = ref<ShelfPiece | null>(null)

const pieces = computed(() => shelf.data.value?.filter((p) => p.kind === 'piece') ?? [])
const sets = computed(() => {
  const out = new Map<string, ShelfPiece[]>()
  for (const p of shelf.data.value ?? [])
    if (p.kind === 'etude') out.set(p.etudeSet ?? 'Etudes', [...(out.get(p.etudeSet ?? 'Etudes') ?? []), p])
  return out
})

const setNamed = (name: string) => auditions.data.value?.find((a) => a.name === name)

const refresh = () => queries.invalidateQueries({ queryKey: keys.shelf })

const remove = (p: ShelfPiece) =>
  doAct({
    key: `remove ${p.id}`,
    run: async () => {
      await fetched(api.DELETE('/api/pieces/{id}', { params: { path: { id: p.id } } }))
      return true
    },
    words: `${p.title} is taken off the shelf.`,
    undo: () => ({ kind: 'pieceRemoved', piece: p.id }),
  })
</script>

<template>
  <main id="main" class="page">
    <div class="row head">
      <h1>Shelf</h1>
      <ImportBox :empty="shelf.data.value?.length === 0" @done="refresh" />
    </div>
    <JobsBar />
    <ASpin v-if="shelf.isPending.value" tip="Reading the shelf" />
    <p v-if="shelf.isError.value" class="card empty">{{ shelf.error.value?.message }}</p>
    <section v-if="pieces.length" aria-labelledby="pieces">
      <h2 id="pieces">Ensemble pieces</h2>
      <ShelfTable :pieces="pieces" @remove="remove" @edit="editing = $event" />
    </section>
    <section v-for="[name, etudes] in sets" :key="name" :aria-label="name">
      <div class="row">
        <h2>{{ name }}</h2>
        <RouterLink v-if="setNamed(name)" :to="{ name: 'audition', params: { set: setNamed(name)!.id } }"
          >The set on one page</RouterLink
        >
      </div>
      <ShelfTable :pieces="etudes" @remove="remove" @edit="editing = $event" />
    </section>
    <PieceDialog v-if="editing" :piece="editing" @close="editing = null" />
  </main>
</template>

<style scoped>
.head {
  justify-content: space-between;
  align-items: flex-start;
  margin-bottom: 8px;
}
section {
  margin-top: 18px;
}
section h2 {
  margin-bottom: 8px;
}
</style>
