<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { isBusy } from '../acts/useAct'
import type { Passage } from '../api/client'
import { shortDate } from '../common/dates'
import FormDialog from '../common/FormDialog.vue'
import { unitWords } from '../common/units'
import PathStep from './PathStep.vue'
import { keepPath } from './keepPath'
import { usePath } from './queries'

/** Which ways to practice at which step of the ladder: what the house would say, or as a director changed it. */
const props = defineProps<{ passage: Passage }>()
const emit = defineEmits<{ close: [] }>()
const id = computed(() => props.passage.id)
const path = usePath(id)
const steps = ref<string[][]>([])
const refused = ref('')
const busy = isBusy(`path ${props.passage.id}`)
const titles = computed(() => new Map((path.data.value?.offers ?? []).map((o) => [o.recipe, o.title])))
watch(path.data, (p) => p && (steps.value = p.steps.map((s) => s.recipes.map((r) => r.recipe))), { immediate: true })
const whose = computed(() => (path.data.value?.isOwn ? 'Changed by you.' : 'As the house rules say.'))

async function save(next: string[][] | null) {
  if (!path.data.value) return
  if (await keepPath(props.passage, path.data.value, next, (e) => (refused.value = (e as Error).message))) emit('close')
}
</script>

<template>
  <FormDialog
    :title="`Practice path of ${passage.title}`"
    ok-text="Save"
    width="640px"
    start="save"
    :busy="busy"
    :refused="refused"
    :disabled="!path.data.value"
    @save="save(steps)"
    @close="emit('close')"
  >
    <p v-if="path.isError.value" role="alert">{{ path.error.value?.message }}</p>
    <template v-else-if="path.data.value">
      <p class="quiet top">{{ whose }} No way to practice at a step means: as printed.</p>
      <ol class="path">
        <li v-for="(s, i) in path.data.value.steps" :key="i">
          <span class="when"
            ><strong>{{ unitWords(s.unit) }} = {{ Math.round(s.bpm * 10) / 10 }}</strong
            ><span class="where">by {{ shortDate(s.due) }}</span></span
          >
          <PathStep v-model:recipes="steps[i]!" :titles="titles" :label="`step ${i + 1}`" :advice="s.advice" />
        </li>
      </ol>
    </template>
    <template #left>
      <AButton v-if="path.data.value?.isOwn" @click="save(null)">As the house says</AButton>
    </template>
  </FormDialog>
</template>

<style scoped>
.top {
  margin: 0;
}
.path {
  max-height: 52vh;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}
.path li {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 8px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.when {
  display: flex;
  flex-direction: column;
}
.where {
  color: var(--slate);
  font-size: 12.5px;
}
</style>
