<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { engraveUrl } from '../engraving/engraver'
import { withoutNames } from './withoutNames'

/** A variant, engraved. */
const props = defineProps<{ url: string; width: number; scale: number }>()
const emit = defineEmits<{ drawn: [] }>()
const music = useQuery({
  queryKey: computed(() => ['variant', props.url, props.width, props.scale]),
  queryFn: async ({ signal }) => {
    const drawn = await engraveUrl(
      props.url,
      { width: props.width, scale: props.scale, paper: true },
      signal,
      withoutNames,
    )
    emit('drawn')
    return drawn
  },
  staleTime: 0,
  meta: { shown: true },
})
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -->
  <div v-if="music.data.value" class="variant" data-testid="variant" v-html="music.data.value.svg"></div>
  <p v-else-if="music.isError.value" role="alert">{{ music.error.value?.message }}</p>
  <p v-else class="quiet">Engraving …</p>
</template>

<style scoped>
.variant {
  overflow: hidden;
}
.variant :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
}
</style>
