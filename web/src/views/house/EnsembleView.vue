<script setup lang="ts">
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, type Schemas } from '../../api/client'
import { keys, useEnsemble } from '../../api/queries'
import PlayerDialog from './PlayerDialog.vue'
import { tellError } from '../../common/tell'

type Player = Schemas['PlayerView']
const ensemble = useEnsemble()
const queries = useQueryClient()
const newSection = ref('')
const editing = ref<{ section: number; player: Player | null } | null>(null)
const count = computed(() => ensemble.data.value?.reduce((n, s) => n + s.players.length, 0) ?? 0)

const refresh = () => queries.invalidateQueries({ queryKey: keys.ensemble })

async function act(run: () => Promise<unknown>) {
  try {
    await run()
    await refresh()
  } catch (e) {
    tellError(e)
  }
}

async function addSection() {
  if (!newSection.value.trim()) return
  await act(() => take(api.POST('/api/ensemble/sections', { body: { name: newSection.value } })))
  newSection.value = ''
}
const removeSection = (section: number) =>
  act(() => take(api.DELETE('/api/ensemble/sections/{section}', { params: { path: { section } } })))
</script>

<template>
  <main id="main" class="page">
    <div class="row head">
      <h1>Ensemble</h1>
      <span class="quiet">{{ ensemble.data.value?.length ?? 0 }} sections, {{ count }} players</span>
      <form class="row add" @submit.prevent="addSection">
        <AInput
          v-model:value="newSection"
          placeholder="a new section"
          aria-label="Name of a new section"
          :maxlength="80"
        />
        <AButton html-type="submit">Add section</AButton>
      </form>
    </div>
    <p v-if="ensemble.isError.value" class="card empty">{{ ensemble.error.value?.message }}</p>
    <p v-if="ensemble.data.value?.length === 0" class="card empty">
      No section yet. Name the first one above, then add its players by chair.
    </p>
    <div class="sections">
      <section v-for="s in ensemble.data.value" :key="s.id" class="card section" :aria-label="s.name">
        <div class="row">
          <h2>{{ s.name }}</h2>
          <AButton
            size="small"
            type="text"
            class="right"
            :aria-label="`Add a player to ${s.name}`"
            @click="editing = { section: s.id, player: null }"
            >Add player</AButton
          >
          <AButton v-if="s.players.length === 0" size="small" type="text" @click="removeSection(s.id)">Remove</AButton>
        </div>
        <ol>
          <li v-for="p in s.players" :key="p.id">
            <span class="chair">{{ p.chair }}</span>
            <button type="button" class="name" @click="editing = { section: s.id, player: p }">{{ p.name }}</button>
            <span class="quiet">{{ p.instrumentName ?? 'no instrument' }}</span>
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
      @saved="refresh"
    />
  </main>
</template>

<style scoped>
.head {
  margin-bottom: 14px;
}
.add {
  margin-left: auto;
  flex-wrap: nowrap;
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
  grid-template-columns: 26px 1fr auto;
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
