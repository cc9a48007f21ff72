<script setup lang="ts">
import { App as AApp, Modal as AModal } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, take, type Difference } from '../../api/client'
import { usePieceChange } from '../../api/queries'
import PickOne from '../../common/PickOne.vue'
import { freeMarks } from './readings'
import { tellError } from '../../common/tell'

/** A mark of the director's own, written to the notes of a difference in one part or in all of the line. */
const props = defineProps<{ piece: number; difference: Difference; names: ReadonlyMap<string, string> }>()
const open = defineModel<boolean>('open', { required: true })
const { message } = AApp.useApp()
const part = ref('')
const act = ref<'add' | 'remove'>('add')
const mark = ref('staccato')
const id = computed(() => props.piece)
const targets = computed(() => props.difference.parts.filter((p) => !part.value || p.part === part.value))

const write = usePieceChange(id, async () => {
  for (const t of targets.value)
    await take(
      api.POST('/api/pieces/{id}/decisions', {
        params: { path: { id: id.value } },
        body: { part: t.part, notes: t.notes, [act.value]: [mark.value], keep: false, alike: false },
      }),
    )
})

async function ok() {
  try {
    await write.mutateAsync(undefined)
    open.value = false
    message.success(`Written into ${targets.value.map((t) => props.names.get(t.part) ?? t.part).join(', ')}.`)
  } catch (e) {
    tellError(e)
  }
}
</script>

<template>
  <AModal v-model:open="open" width="420px" title="Write something else" ok-text="Write it" @ok="ok">
    <div class="fields">
      <PickOne
        v-model:value="act"
        label="What to do"
        :options="[
          { value: 'add', label: 'add' },
          { value: 'remove', label: 'take away' },
        ]"
      />
      <PickOne v-model:value="mark" label="Mark" :options="freeMarks" />
      <PickOne
        v-model:value="part"
        label="Part"
        :options="[
          { value: '', label: 'all parts of the line' },
          ...difference.parts.map((p) => ({ value: p.part, label: names.get(p.part) ?? p.part })),
        ]"
      />
    </div>
    <p>It goes to the notes of this difference; a slur or hairpin spans from the first to the last of them.</p>
  </AModal>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.fields > :last-child {
  grid-column: 1 / -1;
}
</style>
