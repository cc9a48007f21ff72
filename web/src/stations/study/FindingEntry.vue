<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed } from 'vue'
import type { Finding } from '../../api/client'
import MenuButton from '../../common/MenuButton.vue'
import StateWord from '../../common/StateWord.vue'
import { placesOf } from './findings'
import type { Scope } from './useFindingActs'

/** One finding: what it is, what players read of it, and what can be done. */
const props = defineProps<{
  finding: Finding
  number: number
  active: boolean
  whose: string
  /** Where several parts read it in words of their own: those of the parts that are selected. */
  words: readonly { parts: string; why: string }[]
}>()
const emit = defineEmits<{
  open: []
  writeIn: []
  dismiss: [scope: Scope]
  send: []
  hold: []
  reword: []
}>()
const f = computed(() => props.finding)
const reviews: Record<string, string> = { sent: 'players read it', held: 'held back' }
const more = computed(() => [
  { words: 'Reword it for players', run: () => emit('reword') },
  ...(f.value.dismissed
    ? []
    : [
        { words: 'Dismiss this kind in this piece', run: () => emit('dismiss', 'piece') },
        { words: 'Dismiss this kind everywhere', run: () => emit('dismiss', 'everywhere') },
      ]),
])
</script>

<template>
  <li :aria-current="active" :class="{ on: active }">
    <button type="button" class="entry" @click="emit('open')">
      <span class="number">{{ number }}</span>
      <span class="body">
        <strong>{{ f.title }}</strong>
        <span class="where">{{ placesOf(f) }} · {{ whose }}</span>
        <span v-for="o in words" :key="o.why" class="why"
          ><template v-if="o.parts">{{ o.parts }}: </template>{{ o.why }}</span
        >
        <span v-if="f.words" class="why own">Players read: {{ f.words }}</span>
      </span>
    </button>
    <div class="side">
      <StateWord :state="f.severity" />
      <span class="quiet review">{{ f.written !== null ? 'written in' : reviews[f.review ?? ''] }}</span>
    </div>
    <div class="acts">
      <AButton v-if="f.canWriteIn && !f.dismissed" size="small" @click="emit('writeIn')">{{
        f.written !== null ? 'Take it out' : 'Write it in'
      }}</AButton>
      <AButton v-if="f.review !== 'sent'" size="small" type="text" @click="emit('send')">To the players</AButton>
      <AButton v-if="f.review !== 'held'" size="small" type="text" @click="emit('hold')">Hold back</AButton>
      <AButton size="small" type="text" @click="emit('dismiss', 'here')">{{
        f.dismissed ? 'Bring back' : 'Dismiss'
      }}</AButton>
      <MenuButton :label="`More for ${f.title}`" :items="more" />
    </div>
  </li>
</template>

<style scoped src="../station.css"></style>
<style scoped>
.review {
  font-size: 12.5px;
}
.own {
  color: var(--plum);
}
.acts {
  row-gap: 2px;
  align-items: center;
}
</style>
