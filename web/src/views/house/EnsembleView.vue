<script setup lang="ts">
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import { computed, nextTick, ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Player, type Section } from '../../api/client'
import { keys, useEnsemble } from '../../api/queries'
import EnsembleTools from './EnsembleTools.vue'
import PlayerDialog from './PlayerDialog.vue'

const ensemble = useEnsemble()
const editing = ref<{ section: number; player: Player | null } | null>(null)
const renaming = ref<{ id: number; name: string } | null>(null)
const count = computed(() => ensemble.data.value?.reduce((n, s) => n + s.players.length, 0) ?? 0)

const remove = (s: Section) =>
  doAct({
    key: `section ${s.id}`,
    run: () => fetched(api.DELETE('/api/ensemble/sections/{section}', { params: { path: { section: s.id } } })),
    words: `${s.name} is closed.`,
    undo: () => ({ kind: 'left', players: [], sections: [s.id] }),
    fresh: [keys.ensemble],
  })

async function startRename(s: Section) {
  renaming.value = { id: s.id, name: s.name }
  await nextTick()
  document.querySelector<HTMLInputElement>('[aria-label="New name of the section"]')?.select()
}
async function rename(s: Section) {
  const name = renaming.value?.name.trim()
  renaming.value = null
  if (!name || name === s.name) return
  await doAct({
    key: `section ${s.id}`,
    run: () =>
      fetched(
        api.PUT('/api/ensemble/sections/{section}', {
          params: { path: { section: s.id } },
          body: { name, version: s.version },
        }),
      ),
    words: `${s.name} is called ${name} now.`,
    undo: () => ({ kind: 'sectionRenamed', section: s.id, before: s.name }),
    fresh: [keys.ensemble, keys.passages],
  })
}
</script>

<template>
  <main id="main" class="page">
    <div class="row head">
      <h1>Ensemble</h1>
      <span class="quiet">{{ ensemble.data.value?.length ?? 0 }} sections, {{ count }} players</span>
    </div>
    <EnsembleTools :sections="ensemble.data.value ?? []" />
    <p v-if="ensemble.isError.value" class="card empty">{{ ensemble.error.value?.message }}</p>
    <p v-if="ensemble.data.value?.length === 0" class="card empty">
      No section yet. Bring a list of players, make the sections from a score, or name the first one above.
    </p>
    <div class="sections">
      <section v-for="s in ensemble.data.value" :key="s.id" class="card section" :aria-label="s.name">
        <div class="row">
          <form v-if="renaming?.id === s.id" @submit.prevent="rename(s)" @keydown.esc.stop="renaming = null">
            <AInput v-model:value="renaming.name" aria-label="New name of the section" :maxlength="80" />
          </form>
          <h2 v-else>{{ s.name }}</h2>
          <AButton
            size="small"
            type="text"
            class="right"
            :aria-label="`Add a player to ${s.name}`"
            @click="editing = { section: s.id, player: null }"
            >Add player</AButton
          >
          <AButton size="small" type="text" :aria-label="`Rename ${s.name}`" @click="startRename(s)">Rename</AButton>
          <AButton v-if="s.players.length === 0" size="small" type="text" @click="remove(s)">Close</AButton>
        </div>
        <ol>
          <li v-for="p in s.players" :key="p.id">
            <span class="chair">{{ p.chair }}</span>
            <button type="button" class="name" @click="editing = { section: s.id, player: p }">{{ p.name }}</button>
            <span class="quiet">{{ p.instrumentName ?? 'no instrument' }}</span>
            <RouterLink :to="{ name: 'player', params: { player: p.id } }" :aria-label="`Records of ${p.name}`"
              >Records</RouterLink
            >
          </li>
        </ol>
      </section>
    </div>
    <PlayerDialog
      v-if="editing"
      :section="editing.section"
      :player="editing.player"
      :sections="ensemble.data.value ?? []"
      @close="editing = null"
    />
  </main>
</template>

<style scoped>
.head {
  margin-bottom: 10px;
}
.sections {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
  align-items: start;
}
.section {
  padding: 10px 14px;
}
.right {
  margin-left: auto;
}
ol {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 26px 1fr auto auto;
  column-gap: 10px;
  padding: 3px 0;
}
.chair {
  font: 600 13px/20px var(--title);
  color: var(--plum);
}
.name {
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  padding: 0;
  cursor: pointer;
}
.name:hover {
  text-decoration: underline;
}
</style>
