<script setup lang="ts">
import { computed } from 'vue'
import { diagramWords, firstFret, neckDot, slidePlace, type DiagramKey } from './diagram'

/** A fingering drawn: keys and holes, valves, slide or neck. */
const props = withDefaults(
  defineProps<{ kind: string; layout: readonly DiagramKey[]; pressed: readonly string[]; scale?: number }>(),
  { scale: 1 },
)
const words = computed(() => diagramWords(props.kind, props.layout, props.pressed))
const isDown = (key: DiagramKey) => props.pressed.includes(key.id)
// A half hole lies on its hole; it is drawn only when it is used.
const shown = computed(() => props.layout.filter((k) => k.shape !== 'half' || isDown(k)))
const dot = computed(() => neckDot(props.layout, props.pressed))
const from = computed(() => (dot.value ? firstFret(dot.value) : 0))
const slide = computed(() => slidePlace(props.pressed))
const box = computed(() => {
  if (props.kind === 'slide') return { width: 190, height: 46 }
  if (props.kind === 'neck') return { width: 16 + props.layout.length * 18, height: 120 }
  if (props.kind === 'valves') return { width: 76, height: 30 + props.layout.length * 32 }
  return { width: 108, height: 190 }
})
const valveY = (id: string) => (id === 'T' ? 26 : 26 + (Number(id) - 1) * 34)
</script>

<template>
  <svg
    role="img"
    :aria-label="words"
    :viewBox="`0 0 ${box.width} ${box.height}`"
    :width="box.width * scale"
    :height="box.height * scale"
  >
    <template v-if="kind === 'slide' && slide">
      <line x1="16" y1="30" x2="178" y2="30" class="rail" />
      <g v-for="p in 7" :key="p">
        <circle
          :cx="16 + (p - 1) * 27"
          cy="30"
          :r="p === slide.position ? 10 : 4"
          :class="{ down: p === slide.position }"
        />
        <text v-if="p === slide.position" :x="16 + (p - 1) * 27" y="34" class="on">{{ p }}</text>
      </g>
      <text v-if="slide.valve" x="16" y="12" class="off">valve {{ slide.valve }}</text>
    </template>
    <template v-else-if="kind === 'neck' && dot">
      <line
        v-for="f in 8"
        :key="`f${f}`"
        :x1="14"
        :x2="14 + (layout.length - 1) * 18"
        :y1="16 + (f - 1) * 14"
        :y2="16 + (f - 1) * 14"
        :class="from === 0 && f === 1 ? 'nut' : 'rail'"
      />
      <line v-for="(s, i) in layout" :key="s.id" :x1="14 + i * 18" :x2="14 + i * 18" y1="16" y2="114" class="rail" />
      <text v-for="(s, i) in layout" :key="`t${s.id}`" :x="14 + i * 18" y="9" class="off">{{ s.label }}</text>
      <circle
        :cx="14 + dot.string * 18"
        :cy="16 + (dot.fret - from) * 14"
        r="7"
        :class="{ down: dot.fret > 0 && !dot.finger.includes('o') }"
      />
      <text
        :x="14 + dot.string * 18"
        :y="19.5 + (dot.fret - from) * 14"
        :class="dot.fret > 0 && !dot.finger.includes('o') ? 'on' : 'off'"
      >
        {{ dot.finger[0] }}
      </text>
      <text v-if="from > 0" :x="4" y="20" class="off">{{ from }}</text>
    </template>
    <template v-else-if="kind === 'valves'">
      <g v-for="k in layout" :key="k.id">
        <circle
          :cx="k.id === 'T' ? 16 : 48"
          :cy="valveY(k.id)"
          :r="k.id === 'T' ? 9 : 13"
          :class="{ down: isDown(k) }"
        />
        <text :x="k.id === 'T' ? 16 : 48" :y="valveY(k.id) + 4" :class="isDown(k) ? 'on' : 'off'">{{ k.label }}</text>
      </g>
    </template>
    <template v-else-if="kind === 'keys'">
      <g v-for="k in shown" :key="k.id">
        <circle v-if="k.shape === 'hole'" :cx="k.x" :cy="k.y" r="8" :class="{ down: isDown(k) }" />
        <path v-else-if="k.shape === 'half'" :d="`M ${k.x - 8} ${k.y} a 8 8 0 0 0 16 0 z`" class="down" />
        <rect
          v-else
          :x="k.x - 7"
          :y="k.y - 5"
          width="14"
          height="10"
          :rx="k.shape === 'thumb' ? 5 : 2"
          :class="{ down: isDown(k) }"
        />
        <text v-if="isDown(k) && k.label && k.shape !== 'half'" :x="k.x" :y="k.y + 3" class="on small">
          {{ k.label }}
        </text>
      </g>
      <line x1="36" y1="85" x2="64" y2="85" class="rail" />
    </template>
  </svg>
</template>

<style scoped>
circle,
rect {
  fill: var(--card);
  stroke: var(--key-line);
  stroke-width: 1;
}
.down {
  fill: var(--plum);
  stroke: var(--plum);
}
.rail {
  stroke: var(--lilac-deep);
  stroke-width: 1;
}
.nut {
  stroke: var(--ink);
  stroke-width: 3;
}
text {
  font:
    600 10px 'Figtree Variable',
    sans-serif;
  text-anchor: middle;
}
.small {
  font-size: 7.5px;
}
.on {
  fill: var(--card);
}
.off {
  fill: var(--slate);
}
</style>
