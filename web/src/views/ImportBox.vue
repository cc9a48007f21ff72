<script setup lang="ts">
import { Button as AButton, Progress as AProgress } from 'ant-design-vue'
import { ref } from 'vue'
import { sendScore } from './upload'

defineProps<{ empty: boolean }>()
const emit = defineEmits<{ done: [] }>()

const input = ref<HTMLInputElement>()
const over = ref(false)
const name = ref('')
const share = ref(0)
const refused = ref<string[]>([])
const read = ref('')
let cancel = () => {}

async function take(files: FileList | null | undefined) {
  refused.value = []
  read.value = ''
  for (const file of files ?? []) {
    name.value = file.name
    share.value = 0
    const sending = sendScore(file, (s) => (share.value = s))
    cancel = sending.cancel
    try {
      read.value = `${(await sending.done).title} is on the shelf.`
    } catch (e) {
      refused.value.push((e as Error).message)
    }
  }
  name.value = ''
  if (input.value) input.value.value = ''
  emit('done')
}
</script>

<template>
  <section
    class="box"
    :class="{ over, empty }"
    aria-label="Import"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="((over = false), take($event.dataTransfer?.files))"
  >
    <p v-if="empty" class="say">
      The shelf is empty. Drop a score here as MusicXML (.musicxml, .xml or .mxl), or choose a file. Every other station
      begins with it.
    </p>
    <div class="row">
      <AButton type="primary" :disabled="!!name" @click="input?.click()">Import a score</AButton>
      <span class="quiet">or drop MusicXML here</span>
    </div>
    <input
      ref="input"
      type="file"
      class="visually-hidden"
      multiple
      accept=".musicxml,.xml,.mxl"
      tabindex="-1"
      aria-label="Score file"
      @change="take(input?.files)"
    />
    <div v-if="name" class="row">
      <AProgress
        :percent="Math.round(share * 100)"
        size="small"
        class="grow"
        :aria-label="`Importing ${name}`"
      /><AButton size="small" @click="cancel">Cancel</AButton>
    </div>
    <p v-if="name" class="quiet">{{ share < 1 ? `Sending ${name}` : `Reading ${name}` }}</p>
    <p v-if="read" role="status">{{ read }}</p>
    <p v-for="r in refused" :key="r" class="refused" role="alert">{{ r }}</p>
  </section>
</template>

<style scoped>
.box {
  border: 1px dashed #cfc4b2;
  border-radius: 4px;
  padding: 10px 14px;
  max-width: 560px;
}
.box.over {
  border-color: var(--plum);
  background: var(--card);
}
.box.empty {
  padding: 32px;
  text-align: center;
}
.box.empty .row {
  justify-content: center;
}
.grow {
  flex: 1;
}
p {
  margin: 6px 0 0;
}
.say {
  margin: 0 0 14px;
}
.refused {
  color: var(--rosin);
}
</style>
