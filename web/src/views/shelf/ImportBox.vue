<script setup lang="ts">
import { computed, ref } from 'vue'
import { useQueryClient } from '@tanstack/vue-query'
import type { Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import FilePick from './FilePick.vue'
import ImportPreview from './ImportPreview.vue'

defineProps<{ empty: boolean }>()
const emit = defineEmits<{ done: [] }>()

interface Waiting {
  file: File
  preview: Schemas['ScorePreview']
}
const queries = useQueryClient()
const waiting = ref<Waiting[]>([])
const first = computed(() => waiting.value[0])
const kept = ref('')

function read(file: File, answer: unknown) {
  kept.value = ''
  waiting.value.push({ file, preview: answer as Schemas['ScorePreview'] })
}

function close(title: string | null) {
  waiting.value.shift()
  if (title === null) return
  kept.value = title ? `${title} is on the shelf.` : 'The file is being kept; you can go on meanwhile.'
  void queries.invalidateQueries({ queryKey: keys.jobs })
  emit('done')
}
</script>

<template>
  <div>
    <FilePick
      to="/api/pieces/preview"
      word="Import a score"
      :empty="empty"
      :say="
        empty
          ? 'The shelf is empty. Drop a score here as MusicXML (.musicxml, .xml or .mxl), or choose a file. ' +
            'Every other station begins with it.'
          : undefined
      "
      @read="read"
    />
    <p v-if="kept" role="status" class="kept">{{ kept }}</p>
    <ImportPreview
      v-if="first"
      :key="first.file.name + waiting.length"
      :file="first.file"
      :preview="first.preview"
      @close="close"
    />
  </div>
</template>

<style scoped>
.kept {
  margin: 6px 0 0;
}
</style>
