<script setup lang="ts">
import { Button as AButton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { tellError } from '../common/tell'
import { useTransport, type Playable } from '../transport/store'
import VariantMusic from './VariantMusic.vue'
import { useVariants, variantUrl } from './queries'

/** Ways to practice the passage: look at one, hear it, and take two to five of them onto a practice sheet. */
const props = defineProps<{ passage: Playable; part: string }>()
const transport = useTransport()
const most = 5
const of = computed(() => ({
  piece: props.passage.piece,
  part: props.part,
  from: props.passage.from,
  to: props.passage.to,
}))
const variants = useVariants(of)
const open = ref<string | null>(null)
const chosen = ref<string[]>([])
watch(of, (now, before) => {
  if (JSON.stringify(now) === JSON.stringify(before)) return
  open.value = null
  chosen.value = []
})

async function hear(recipe: string, title: string) {
  try {
    const isOn = transport.playing?.variant === recipe
    await transport.stop()
    if (!isOn) await transport.start({ ...props.passage, parts: [props.part], variant: recipe, title })
  } catch (e) {
    tellError(e)
  }
}
function fetched(recipe: string) {
  if (chosen.value.includes(recipe)) chosen.value = chosen.value.filter((r) => r !== recipe)
  else if (chosen.value.length < most) chosen.value = [...chosen.value, recipe]
}
const sheet = computed(() => ({
  name: 'practice',
  params: { id: of.value.piece },
  query: { part: of.value.part, from: of.value.from, to: of.value.to, recipes: chosen.value.join(',') },
}))
</script>

<template>
  <section aria-label="Ways to practice" data-testid="ways">
    <div class="top">
      <h3>Ways to practice</h3>
      <RouterLink v-if="chosen.length" :to="sheet">Practice sheet ({{ chosen.length }})</RouterLink>
    </div>
    <p v-if="variants.isError.value" role="alert">{{ variants.error.value?.message }}</p>
    <p v-else-if="variants.data.value?.length === 0" class="quiet">Nothing is played here.</p>
    <ul class="entries">
      <li v-for="v in variants.data.value" :key="v.recipe" :class="{ on: open === v.recipe }">
        <div class="way">
          <input
            type="checkbox"
            :checked="chosen.includes(v.recipe)"
            :disabled="!chosen.includes(v.recipe) && chosen.length >= most"
            :aria-label="`${v.title} on the practice sheet`"
            @change="fetched(v.recipe)"
          />
          <span class="body">
            <strong>{{ v.title }}</strong>
            <span class="where">{{ v.suits }}</span>
            <span class="why">{{ v.why }}</span>
          </span>
        </div>
        <div class="acts">
          <AButton size="small" :aria-label="`Play ${v.title}`" @click="hear(v.recipe, v.title)">{{
            transport.playing?.variant === v.recipe ? 'Stop' : 'Play'
          }}</AButton>
          <AButton
            size="small"
            type="text"
            :aria-expanded="open === v.recipe"
            :aria-label="`Show ${v.title}`"
            @click="open = open === v.recipe ? null : v.recipe"
            >{{ open === v.recipe ? 'Hide' : 'Show' }}</AButton
          >
          <a :href="variantUrl(of, v.recipe)" :aria-label="`MusicXML of ${v.title}`" download>MusicXML</a>
        </div>
        <VariantMusic v-if="open === v.recipe" :url="variantUrl(of, v.recipe)" :width="390" :scale="32" />
      </li>
    </ul>
  </section>
</template>

<style scoped src="../stations/station.css"></style>
<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin: 16px 0 4px;
}
.way {
  display: grid;
  grid-template-columns: 30px 1fr;
  align-items: start;
}
.way input {
  margin-top: 4px;
  accent-color: var(--plum);
}
.acts {
  align-items: center;
}
.acts a {
  font-size: 13px;
}
</style>
