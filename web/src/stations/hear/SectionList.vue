<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { Button as AButton } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'

/** Each section's chance to have the passage by the date, and what gives where it will not. */
const props = defineProps<{ passage: number; sections: readonly Schemas['SectionChanceView'][] }>()
const open = ref<number>()
const gives = useQuery({
  queryKey: computed(() => keys.logOf('gives', props.passage, open.value)),
  enabled: computed(() => open.value !== undefined),
  queryFn: () =>
    fetched(
      api.GET('/api/passages/{passage}/gives', {
        params: { path: { passage: props.passage }, query: { section: open.value! } },
      }),
    ),
})
const ready = 0.8
const shape = (s: Schemas['SectionChanceView']) => {
  if (s.chance === null) return { shape: '?', word: 'cannot tell' }
  return s.chance >= ready ? { shape: '●', word: 'ready' } : { shape: '▼', word: 'not ready' }
}
const percent = (s: Schemas['SectionChanceView']) =>
  s.chance === null ? 'nobody can tell yet' : `${Math.round(s.chance * 100)} in 100`
const who = (s: Schemas['SectionChanceView']) =>
  s.mayMiss === 0 ? `all ${s.players}` : `all but ${s.mayMiss} of ${s.players}`
const kinds: Record<string, string> = { tempo: 'Tempo', passage: 'Passage', calendar: 'Calendar' }
</script>

<template>
  <ul class="sections" aria-label="Sections">
    <li v-for="s in sections" :key="s.section">
      <span
        ><span aria-hidden="true">{{ shape(s).shape }}</span> {{ s.name }}</span
      >
      <strong>{{ shape(s).word }}</strong>
      <span class="quiet"
        >{{ percent(s) }} that {{ who(s) }} have it<template v-if="s.told < s.players"
          >; {{ s.told }} of them can be told</template
        ></span
      >
      <AButton
        v-if="s.chance !== null && s.chance < ready"
        size="small"
        type="text"
        :aria-expanded="open === s.section"
        :aria-label="`What gives for ${s.name}`"
        @click="open = open === s.section ? undefined : s.section"
        >What gives</AButton
      >
      <ul v-if="open === s.section && gives.data.value" class="gives">
        <li v-for="g in gives.data.value" :key="g.what">
          <strong>{{ kinds[g.what] ?? g.what }}:</strong> {{ g.why }}
        </li>
        <li v-if="gives.data.value.length === 0">Nothing alone is enough: give two of them a little.</li>
      </ul>
    </li>
  </ul>
</template>

<style scoped>
.sections {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  font-size: 13.5px;
}
.sections > li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 3px 0;
}
.gives {
  flex-basis: 100%;
  margin: 0;
  padding-left: 20px;
}
</style>
