<script setup lang="ts">
import { Button as AButton, Input as AInput } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, fetched, type Schemas } from '../api/client'
import { doAct, isBusy } from '../acts/useAct'
import { keys } from '../api/queries'
import FormDialog from '../common/FormDialog.vue'
import PickOne from '../common/PickOne.vue'
import FingerDiagram from './FingerDiagram.vue'

/** Corrects how a fingering stands, or what it presses; or adds one. */
const props = defineProps<{
  chart: Schemas['ChartView']
  note: Schemas['ChartNoteView']
  fingering: Schemas['FingeringView'] | null
}>()
const emit = defineEmits<{ close: [] }>()
const busy = isBusy('chart')
const code = ref(props.fingering?.code ?? '')
const standing = ref(
  props.fingering?.standing ?? (props.fingering?.code === props.note.fingerings[0]?.code ? 'usual' : 'alternate'),
)
const remark = ref(props.fingering?.standing ? props.fingering.when : '')
const pressed = ref<string[]>([...(props.fingering?.keys ?? [])])
const refused = ref('')
const isKeys = computed(() => props.chart.kind === 'keys')
const standings = [
  { value: 'usual', label: 'usual: taken untold' },
  { value: 'alternate', label: 'alternate: may be taken' },
  { value: 'avoid', label: 'avoid: only when all else is worse' },
  { value: 'never', label: 'never' },
]
const toggle = (key: string) => {
  pressed.value = pressed.value.includes(key) ? pressed.value.filter((k) => k !== key) : [...pressed.value, key]
}

type Edit = Schemas['CorrectionEdit']
const edit = (): Edit => ({
  written: props.note.midi,
  code: code.value.trim(),
  standing: standing.value,
  keys: isKeys.value ? pressed.value : [],
  remark: remark.value,
})
// What stood there before this dialog: a correction of the school, or the chart as it came.
const before: Edit | null = props.fingering?.standing ? edit() : null
const undo = (now: Edit) =>
  ({ kind: 'chart', instrument: props.chart.instrument, written: now.written, code: now.code, before }) as const

async function run(act: () => Promise<unknown>, words: string) {
  const now = edit()
  const done = await doAct({
    key: 'chart',
    run: async () => {
      await act()
      return true
    },
    words,
    undo: () => undo(now),
    fresh: [keys.charts, keys.pieces],
    refused: (e) => (refused.value = (e as Error).message),
    closes: true,
  })
  if (done) emit('close')
}
const params = { path: { instrument: props.chart.instrument } }
const save = () =>
  run(
    () => fetched(api.PUT('/api/charts/{instrument}/corrections', { params, body: edit() })),
    `${props.note.written} is corrected. Every plan follows it from now on.`,
  )
const takeBack = () =>
  run(
    () =>
      fetched(
        api.DELETE('/api/charts/{instrument}/corrections/{written}/{code}', {
          params: { path: { ...params.path, written: props.note.midi, code: code.value } },
        }),
      ),
    `${props.note.written}: the chart is as it came.`,
  )
</script>

<template>
  <FormDialog
    :title="fingering ? `${note.written}: ${fingering.code}` : `A fingering for ${note.written}`"
    ok-text="Correct the chart"
    width="560px"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <div class="two">
      <FingerDiagram :kind="chart.kind" :layout="chart.keys" :pressed="pressed" />
      <div class="grid">
        <label v-if="!fingering" class="field"
          >Short name <AInput v-model:value="code" :maxlength="24" placeholder="e.g. long" />
        </label>
        <div class="field">
          <span>How it stands</span>
          <PickOne v-model:value="standing" label="How it stands" :options="standings" />
        </div>
        <label class="field">When it is taken, or why not <AInput v-model:value="remark" :maxlength="160" /></label>
        <fieldset v-if="isKeys">
          <legend>Pressed</legend>
          <button
            v-for="k in chart.keys"
            :key="k.id"
            type="button"
            :aria-pressed="pressed.includes(k.id)"
            @click="toggle(k.id)"
          >
            {{ k.id }}
          </button>
        </fieldset>
        <AButton v-if="fingering?.standing" size="small" @click="takeBack">Take the correction back</AButton>
      </div>
    </div>
  </FormDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 20px;
}
.grid {
  display: grid;
  gap: 10px;
  align-content: start;
}
fieldset {
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 6px 8px;
  margin: 0;
}
fieldset button {
  min-width: 34px;
  margin: 2px;
  padding: 2px 6px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--card);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
fieldset button[aria-pressed='true'] {
  background: var(--plum);
  color: var(--card);
}
</style>
