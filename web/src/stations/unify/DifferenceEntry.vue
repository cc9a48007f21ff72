<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed } from 'vue'
import type { Difference } from '../../api/client'
import StateWord from '../../common/StateWord.vue'
import {
  isMeant,
  isOfOnePart,
  kindWords,
  placeWords,
  readingGroups,
  readingWords,
  relationWords,
  sureWord,
} from './readings'

/** One difference: all readings, the proposal with its reason, and what can be done. */
const props = defineProps<{
  difference: Difference
  number: number
  names: ReadonlyMap<string, string>
  active: boolean
}>()
const emit = defineEmits<{
  open: []
  accept: [alike: boolean]
  take: [has: string]
  keep: []
  undo: []
}>()
const d = computed(() => props.difference)
const groups = computed(() => readingGroups(d.value))
const others = computed(() => (isOfOnePart(d.value) ? [] : groups.value.filter((g) => !g.proposed)))
const nameOf = (ids: readonly string[]) => ids.map((p) => props.names.get(p) ?? p).join(', ')
</script>

<template>
  <li :aria-current="active" :class="{ on: active }">
    <button type="button" class="entry" @click="emit('open')">
      <span class="number">{{ number }}</span>
      <span class="body">
        <strong>{{ kindWords(d.kind) }} differs, {{ placeWords(d) }}</strong>
        <span class="where">{{ relationWords(d) }}</span>
      </span>
    </button>
    <table class="readings">
      <tbody>
        <tr v-for="r in groups" :key="r.has">
          <th scope="row">{{ r.words }}</th>
          <td>{{ nameOf([...new Set(r.parts)]) }}{{ r.places ? `, ${r.places}` : '' }}</td>
        </tr>
      </tbody>
    </table>
    <p class="proposal">
      <StateWord v-if="!isMeant(d)" :state="d.state" />
      <template v-if="isMeant(d)">{{ d.proposal.why }}</template>
      <template v-else-if="d.state === 'open'">
        · proposed: <b>{{ readingWords(d.kind, d.proposal.mark) }}</b>,
        <span class="sureness" :class="d.proposal.sure">{{ sureWord(d) }}</span>. {{ d.proposal.why }}</template
      >
      <template v-else-if="d.builtOn.length">
        · {{ d.builtOn.length }} later {{ d.builtOn.length === 1 ? 'decision builds' : 'decisions build' }} on this
        one</template
      >
    </p>
    <div v-if="d.state === 'open' && !isMeant(d)" class="acts">
      <AButton size="small" type="primary" @click="emit('accept', false)">Accept</AButton>
      <AButton v-if="d.alike.length" size="small" @click="emit('accept', true)"
        >Accept wherever it returns ({{ d.alike.length + 1 }})</AButton
      >
      <AButton v-for="r in others" :key="r.has" size="small" @click="emit('take', r.has)">Take {{ r.words }}</AButton>
      <AButton size="small" type="text" @click="emit('keep')">Keep as printed</AButton>
    </div>
    <div v-else-if="d.decision" class="acts"><AButton size="small" @click="emit('undo')">Undo</AButton></div>
  </li>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.sureness {
  font-weight: 600;
}
.sureness.yours {
  color: var(--rosin);
}
.sureness.sureness {
  color: var(--moss);
}
.entry strong::first-letter {
  text-transform: uppercase;
}
.proposal {
  margin: 0 0 4px 30px;
  font-size: 13px;
}
</style>
