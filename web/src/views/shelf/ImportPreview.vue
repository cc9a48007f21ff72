<script setup lang="ts">
import { Progress as AProgress } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { useInstruments } from '../../api/queries'
import FormDialog from '../../common/FormDialog.vue'
import PickOne from '../../common/PickOne.vue'
import { followJob } from './followJob'
import OrderBar from './OrderBar.vue'
import { sureness } from './sureness'
import { sendScore } from './upload'

/** What was read of a file, before it is kept: the director corrects an instrument with one choice. */
const props = defineProps<{ file: File; preview: Schemas['ScorePreview'] }>()
const emit = defineEmits<{ close: [title: string | null] }>()
const instruments = useInstruments()
const options = computed(() => [
  { value: '', label: 'not known' },
  ...(instruments.data.value ?? []).map((i) => ({ value: i.id, label: i.name })),
])
const chosen = ref(Object.fromEntries(props.preview.parts.map((p) => [p.id, p.instrumentId ?? ''])))
/** Bytes from which a file is kept step by step, each step told. */
const large = 200_000
const keeping = ref(false)
const step = ref<Schemas['JobView'] | null>(null)
const share = computed(() => (step.value?.total ? Math.round((100 * step.value.done) / step.value.total) : 0))
const refused = ref('')

const corrections = computed(() =>
  props.preview.parts
    .filter((p) => chosen.value[p.id] && chosen.value[p.id] !== (p.instrumentId ?? ''))
    .map((p) => `${p.id}=${chosen.value[p.id]}`)
    .join(';'),
)
const places = (list: readonly { measure: string; what: string }[]) =>
  list.map((p, i) => (i === 0 ? p.what : `${p.what} from ${p.measure}`)).join(', ')

async function keep() {
  keeping.value = true
  refused.value = ''
  try {
    const fields: Record<string, string> = corrections.value ? { instruments: corrections.value } : {}
    const later = props.file.size > large
    const made = await sendScore<{ title: string } & Schemas['JobView']>(
      `/api/pieces?later=${later}`,
      props.file,
      () => {},
      fields,
    ).done
    if (later) await followJob(made, (now) => (step.value = now))
    emit('close', later ? props.preview.title || props.file.name : made.title)
  } catch (e) {
    refused.value = (e as Error).message
  } finally {
    keeping.value = false
    step.value = null
  }
}
</script>

<template>
  <FormDialog
    width="760px"
    :title="preview.title || file.name"
    ok-text="Keep on the shelf"
    cancel-text="Do not keep"
    start="save"
    :busy="keeping"
    :refused="refused"
    @save="keep"
    @close="emit('close', step ? '' : null)"
  >
    <p class="quiet">
      {{ preview.composer ? `${preview.composer} · ` : '' }}{{ preview.parts.length }}
      {{ preview.parts.length === 1 ? 'part' : 'parts' }} × {{ preview.measures }} measures, {{ preview.played }} as
      played. Nothing is kept yet.
    </p>
    <dl>
      <dt>Sounding key</dt>
      <dd>{{ places(preview.keys) }}</dd>
      <dt>Meter</dt>
      <dd>{{ places(preview.meters) }}</dd>
      <dt>Tempo</dt>
      <dd>
        {{ preview.tempos.length ? preview.tempos.map((t) => `${t.what} (${t.measure})`).join(', ') : 'none printed' }}
      </dd>
      <dt>Played order</dt>
      <dd><OrderBar :runs="preview.order" :played="preview.played" /></dd>
    </dl>
    <div class="parts" tabindex="0" role="region" aria-label="Parts of the file">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Printed name</th>
            <th scope="col">Instrument</th>
            <th scope="col">Read as</th>
            <th scope="col">Notes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in preview.parts" :key="p.id">
            <td>{{ p.name || p.id }}</td>
            <td>
              <PickOne v-model:value="chosen[p.id]" :label="`Instrument of ${p.name || p.id}`" :options="options" />
            </td>
            <td class="quiet">{{ sureness(p.instrumentId, p.confidence) }}{{ p.desk ? `, desk ${p.desk}` : '' }}</td>
            <td>{{ p.notes }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <section v-if="preview.warnings.length" aria-label="Warnings">
      <h3>Unusual in this file</h3>
      <ul>
        <li v-for="w in preview.warnings" :key="w">{{ w }}</li>
      </ul>
    </section>
    <div v-if="step" class="keeping" role="status">
      <span>{{ step.step || 'waiting' }}</span>
      <AProgress :percent="share" size="small" :show-info="false" :aria-label="`Keeping ${file.name}`" />
      <span class="quiet">Close this to go on meanwhile; the shelf shows how far it is.</span>
    </div>
  </FormDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 4px 12px;
  margin: 10px 0;
}
dt {
  color: var(--slate);
}
dd {
  margin: 0;
  min-width: 0;
}
.keeping {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 12px;
  align-items: center;
}
.keeping .quiet {
  grid-column: 1 / -1;
}
.parts {
  max-height: 260px;
  overflow: auto;
}
.parts td {
  padding: 3px 10px;
  vertical-align: middle;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
  max-height: 110px;
  overflow: auto;
}
</style>
