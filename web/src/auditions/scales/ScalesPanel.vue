<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { doAct, isBusy } from '../../acts/useAct'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import VariantMusic from '../../practice/VariantMusic.vue'
import { useScaleKeys, useSets } from '../queries'
import ScaleForm from './ScaleForm.vue'
import { listBody, listUrl, proposed, type ScaleWish } from './wish'

/** Scales and arpeggios of any instrument: chosen, seen, and kept as a piece to work on. */
const usual = 4
const router = useRouter()
const wish = ref<ScaleWish>({
  instrument: 'clarinet-bb',
  kinds: ['major'],
  tonics: [],
  octaves: undefined,
  up: 0,
  rhythm: 'quarters',
  slurring: 'separate',
  signs: 'signature',
  fingerings: 'chosen',
  positions: '',
  level: '',
})
const sets = useSets()
const set = ref(0)
const options = computed(() => [
  { value: 0, label: 'the shelf only' },
  ...(sets.data.value ?? []).map((s) => ({ value: s.id, label: s.name })),
])
const order = useScaleKeys(
  computed(() => wish.value.instrument),
  computed(() => wish.value.kinds[0] ?? 'major'),
  computed(() => wish.value.level || undefined),
)
// Another instrument begins with the keys that are usual for it.
const begun = ref('')
watch(
  () => order.data.value,
  (all) => {
    if (!all || begun.value === wish.value.instrument) return
    begun.value = wish.value.instrument
    wish.value.tonics = proposed(all, usual)
  },
  { immediate: true },
)
const url = computed(() => listUrl(wish.value))
const busy = isBusy('keep scales')

async function keep() {
  const made = await doAct({
    key: 'keep scales',
    run: () => fetched(api.POST('/api/scales', { body: listBody(wish.value) })),
    words: (p) => `${p.title} is on the shelf.`,
    undo: (p) => ({ kind: 'pieceAdded', piece: p.id }),
    fresh: [keys.shelf],
  })
  if (!made) return
  if (set.value) await intoSet(made.id, made.title)
  void router.push({ name: 'piece', params: { id: made.id, station: 'technique' } })
}
const intoSet = (piece: number, title: string) =>
  doAct({
    key: 'scales into set',
    run: () =>
      fetched(
        api.POST('/api/auditions/{set}/entries', {
          params: { path: { set: set.value } },
          body: { piece, instrument: wish.value.instrument, kind: 'scales' },
        }),
      ),
    words: (s) => `${title} belongs to ${s.name}.`,
    undo: (s) => ({
      kind: 'auditionPieceIn',
      set: set.value,
      entry: s.entries.find((e) => e.piece === piece)!.id,
    }),
    fresh: [keys.auditions, keys.shelf],
  })
</script>

<template>
  <section class="two">
    <form class="card ask" @submit.prevent="keep">
      <ScaleForm v-model:wish="wish" />
      <div class="field">
        <span>Keep it in</span><PickOne v-model:value="set" :options="options" label="Keep it in" />
      </div>
      <AButton type="primary" html-type="submit" :loading="busy" :disabled="!url">Keep the list</AButton>
      <p class="quiet">
        From then on it is a piece: fingered, handed out, heard against the list for scales, printed on its page.
      </p>
    </form>
    <div class="card music" aria-label="The scales" role="region" tabindex="0">
      <VariantMusic v-if="url" :key="url" :url="url" :width="760" :scale="34" />
      <p v-else class="empty">Choose a kind and at least one key.</p>
      <p v-if="url" class="row"><a :href="url" download>MusicXML</a></p>
    </div>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: 14px;
  align-items: start;
}
.ask {
  padding: 12px 14px;
  display: grid;
  gap: 10px;
}
.ask p {
  margin: 0;
  font-size: 12.5px;
}
.music {
  padding: 10px 14px;
  min-height: 300px;
}
</style>
