<script setup lang="ts">
import { computed } from 'vue'
import { Refusal } from '../../api/client'

/** A piece that cannot be opened: what is wrong, and the ways out. */
const props = defineProps<{ id: number; error: Error | null }>()
// 404: there is no such piece, so there is no original either.
const isThere = computed(() => !(props.error instanceof Refusal && props.error.status === 404))
</script>

<template>
  <div class="card empty" role="alert">
    <p>{{ error?.message }}</p>
    <p class="row ways">
      <a v-if="isThere" :href="`/api/pieces/${id}/export.musicxml?original=true`" download>Export the original</a>
      <RouterLink to="/">Back to the shelf</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.ways {
  justify-content: center;
  gap: 24px;
}
</style>
