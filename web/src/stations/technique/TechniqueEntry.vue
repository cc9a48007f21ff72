<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { ref } from 'vue'
import type { Schemas } from '../../api/client'
import FingerDiagram from '../../hands/FingerDiagram.vue'

/** One choice with its reason, its diagram on hover and focus, and the other ways, each with how much harder it is. */
defineProps<{
  choice: Schemas['ChoiceView']
  number: number
  active: boolean
  kind?: string | null
  layout: readonly Schemas['ChartKeyView'][]
}>()
const emit = defineEmits<{ active: []; take: [Schemas['AlternativeView']] }>()
const shown = ref<readonly string[] | null>(null)
</script>

<template>
  <li :aria-current="active" :class="{ on: active, drawn: !!kind }" @mouseleave="shown = null">
    <button
      type="button"
      class="entry"
      @click="emit('active')"
      @mouseenter="shown = choice.keys"
      @focus="shown = choice.keys"
      @blur="shown = null"
    >
      <span class="number">{{ number }}</span>
      <span class="body">
        <strong>{{ choice.written }}: {{ choice.words }} ({{ choice.sign }})</strong>
        <span class="where">
          measure {{ choice.measure
          }}<template v-if="choice.cents && Math.abs(choice.cents) >= 8"
            >, {{ choice.cents > 0 ? '+' : '−' }}{{ Math.abs(Math.round(choice.cents)) }} cents</template
          >
        </span>
        <span v-if="choice.why" class="why">{{ choice.why }}</span>
      </span>
    </button>
    <div class="acts">
      <AButton
        v-for="a in choice.alternatives.slice(0, 3)"
        :key="a.choice"
        size="small"
        @click="emit('take', a)"
        @mouseenter="shown = a.keys"
        @focus="shown = a.keys"
        @blur="shown = null"
        >Take {{ a.words }}: {{ a.harder }}</AButton
      >
    </div>
    <div v-if="kind && shown && (shown.length > 0 || kind === 'keys' || kind === 'valves')" class="diagram">
      <FingerDiagram :kind="kind" :layout="layout" :pressed="shown" :scale="kind === 'keys' ? 0.6 : 0.8" />
    </div>
  </li>
</template>

<style scoped src="../station.css"></style>
<style scoped>
li {
  position: relative;
}
.acts :deep(.ant-btn) {
  height: auto;
  white-space: normal;
  text-align: left;
}
.drawn.drawn {
  padding-right: 90px;
}
.why {
  display: block;
}
.diagram {
  position: absolute;
  right: 6px;
  top: 4px;
  z-index: 3;
  padding: 6px;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 3px;
  box-shadow: 0 2px 8px rgb(43 39 51 / 14%);
  pointer-events: none;
}
</style>
