<script setup lang="ts">
import { Button as AButton, Spin as ASpin } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { useMatters, type Matter } from '../queries'
import { placesByPiece } from './places'

/** What comes up in many etudes is decided once; each place can be undone alone. */
const props = defineProps<{ set: number }>()
const matters = useMatters(computed(() => props.set))
const chosen = ref<Record<string, string>>({})
const busy = isBusy('answer')
const answerOf = (m: Matter) => chosen.value[m.name] ?? m.answer ?? m.answers[0]!.name
const words = (m: Matter, name: string | null | undefined) => m.answers.find((a) => a.name === name)?.words ?? ''
const fresh = [keys.auditions, keys.pieces, keys.shelf] as const

const decide = (m: Matter) =>
  doAct({
    key: 'answer',
    run: () =>
      fetched(
        api.POST('/api/auditions/{set}/matters/{matter}', {
          params: { path: { set: props.set, matter: m.name } },
          body: { answer: answerOf(m), seen: m.answer ?? null },
        }),
      ),
    words: (after) =>
      `Decided at ${after.places.filter((p) => p.decision !== null).length} places: ${words(m, answerOf(m))}.`,
    undo: () => ({ kind: 'answered', set: props.set, matter: m.name, before: m.answer ?? null }),
    fresh,
  })
const takeBack = (m: Matter) =>
  doAct({
    key: 'answer',
    run: async () => {
      await fetched(
        api.DELETE('/api/auditions/{set}/matters/{matter}', {
          params: { path: { set: props.set, matter: m.name } },
        }),
      )
      return true
    },
    words: `“${m.question}” is open again.`,
    undo: () => ({ kind: 'answered', set: props.set, matter: m.name, before: m.answer ?? null }),
    fresh,
  })
const undoOne = (piece: number, decision: number) =>
  doAct({
    key: `undo one ${decision}`,
    run: async () => {
      await fetched(api.DELETE('/api/pieces/{id}/decisions/{decision}', { params: { path: { id: piece, decision } } }))
      return true
    },
    words: 'Undone at this one place.',
    fresh,
  })
</script>

<template>
  <section>
    <p class="quiet">
      The same matter in many etudes is one line. The answer reaches every etude as decisions that can be undone one by
      one; players read it on the style sheet and at its place.
    </p>
    <ASpin v-if="matters.isPending.value" tip="Reading all etudes" />
    <p v-if="matters.data.value?.length === 0" class="card empty">Nothing is left open in these etudes.</p>
    <ol class="list">
      <li v-for="m in matters.data.value" :key="m.name" class="card">
        <h2>{{ m.question }}</h2>
        <div class="row">
          <PickOne
            :value="answerOf(m)"
            :options="m.answers.map((a) => ({ value: a.name, label: a.words }))"
            :label="m.question"
            @update:value="chosen[m.name] = $event as string"
          />
          <AButton type="primary" :disabled="busy" @click="decide(m)">Decide for all</AButton>
          <AButton v-if="m.answer" :disabled="busy" @click="takeBack(m)">Take the answer back</AButton>
          <span v-if="m.answer" class="done"
            >✓ {{ words(m, m.answer) }}<template v-if="m.open">, {{ m.open }} open</template></span
          >
          <span v-else class="open">{{ m.open }} {{ m.open === 1 ? 'place' : 'places' }} open</span>
        </div>
        <details>
          <summary>
            {{ m.places.length }} {{ m.places.length === 1 ? 'place' : 'places' }} in
            {{ placesByPiece(m.places).length }} pieces
          </summary>
          <ul>
            <li v-for="g in placesByPiece(m.places)" :key="g.piece">
              <strong>{{ g.title }}</strong>:
              <span v-for="p in g.places" :key="p.measure + p.what + p.decision" class="place">
                <RouterLink
                  :to="{
                    name: 'piece',
                    params: { id: p.piece, station: 'study' },
                    query: { from: p.measure, to: p.measure },
                  }"
                  >{{ p.measure }}</RouterLink>, {{ p.what }}
                <button
                  v-if="p.decision !== null"
                  type="button"
                  :aria-label="`Undo in ${g.title}, measure ${p.measure}`"
                  @click="undoOne(p.piece, p.decision!)"
                >
                  ✓ undo here
                </button>
              </span>
            </li>
          </ul>
        </details>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.list > li {
  padding: 10px 14px;
}
h2 {
  font-size: 15px;
  margin-bottom: 4px;
}
.row :deep(select) {
  width: 320px;
}
.done {
  color: var(--moss);
}
.open {
  color: var(--rosin);
}
details ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
.place {
  margin-right: 10px;
}
.place a {
  text-decoration: underline;
}
.place button {
  border: 0;
  background: none;
  font: inherit;
  font-size: 12.5px;
  color: var(--moss);
  text-decoration: underline;
  cursor: pointer;
}
</style>
