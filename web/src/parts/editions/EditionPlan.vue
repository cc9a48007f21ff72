<script setup lang="ts">
import type { Schemas } from '../../api/client'
import FormDialog from '../../common/FormDialog.vue'
import { carriedWords } from './carried'

/** A new edition compared with the one on the shelf, before it takes its place. */
defineProps<{ name: string; plan: Schemas['EditionPlanView'] }>()
const emit = defineEmits<{ take: []; leave: [] }>()
</script>

<template>
  <FormDialog
    width="640px"
    :title="`${name}, compared`"
    ok-text="Use the new edition"
    cancel-text="Leave as it is"
    start="save"
    @save="emit('take')"
    @close="emit('leave')"
  >
    <p>
      {{ plan.changes.length === 0 ? 'Nothing that sounds or is marked changed.' : `${plan.changes.length} changes.` }}
      {{ carriedWords(plan.carried) }}<template v-if="plan.lost.length">, {{ plan.lost.length }} cannot</template>.
    </p>
    <template v-if="plan.lost.length">
      <h3>Cannot be carried; kept, to be placed by hand</h3>
      <ul>
        <li v-for="l in plan.lost" :key="l.kind + l.key">
          {{ l.what }}{{ l.where ? ` (${l.where})` : '' }}: {{ l.why }}
        </li>
      </ul>
    </template>
    <template v-if="plan.changes.length">
      <h3>What changed</h3>
      <ul class="long" tabindex="0" aria-label="Changes">
        <li v-for="(c, i) in plan.changes" :key="i">{{ c.what }}</li>
      </ul>
    </template>
  </FormDialog>
</template>

<style scoped>
ul {
  padding-left: 18px;
  margin: 4px 0 10px;
}
.long {
  max-height: 300px;
  overflow: auto;
}
</style>
