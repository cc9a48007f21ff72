<script setup lang="ts">
import { computed } from 'vue'
import { isBusy } from '../../acts/useAct'
import FormDialog from '../../common/FormDialog.vue'
import type { SeasonPlan } from '../queries'

/** A plan before it is kept: what it changes, and what gives where it does not fit. */
const props = defineProps<{ draft: SeasonPlan }>()
const emit = defineEmits<{ keep: []; close: [] }>()
const busy = isBusy('keep plan')
const cannot = computed(() => props.draft.proved === 'cannot')
const kinds: Record<string, string> = {
  passages: 'Passages',
  tempo: 'Tempo',
  days: 'Days',
  minutes: 'Minutes',
}
</script>

<template>
  <FormDialog
    title="The new plan"
    width="620px"
    :ok-text="cannot ? 'Close' : 'Keep this plan'"
    :cancel-text="cannot ? 'Back' : 'Leave it as it is'"
    :busy="busy"
    start="save"
    @save="cannot ? emit('close') : emit('keep')"
    @close="emit('close')"
  >
    <p v-if="cannot" class="word">The sessions do not fit into the days, whatever is late.</p>
    <p v-else class="word">
      {{ draft.late === 0 ? 'Nothing is late' : `${draft.late} days late in all` }}; at most {{ draft.peak }} minutes a
      day for one player.
      {{ draft.proved === 'optimal' ? 'No plan does better.' : `A plan could do with ${draft.bound}; not proved.` }}
    </p>
    <template v-if="draft.gives.length">
      <h3>What gives, one of these</h3>
      <ul>
        <li v-for="g in draft.gives" :key="g.what">
          <strong>{{ kinds[g.what] ?? g.what }}:</strong> {{ g.why }}
        </li>
      </ul>
    </template>
    <template v-if="!cannot">
      <h3>What it changes</h3>
      <div v-if="draft.changes.length" class="changes" role="region" aria-label="What it changes" tabindex="0">
        <ul>
          <li v-for="c in draft.changes" :key="c">{{ c }}</li>
        </ul>
      </div>
      <p v-else class="quiet">Nothing: the plan in force holds.</p>
    </template>
  </FormDialog>
</template>

<style scoped>
.word {
  margin: 0;
}
h3 {
  margin: 4px 0 0;
  font-size: 15px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.changes {
  max-height: 300px;
  overflow: auto;
}
</style>
