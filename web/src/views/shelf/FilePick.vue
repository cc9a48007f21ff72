<script setup lang="ts">
import { Button as AButton, Progress as AProgress } from 'ant-design-vue'
import { ref } from 'vue'
import { sendScore } from './upload'

/** Chooses or drops a score file, sends it to an address, and hands on what the server read of it. */
const props = defineProps<{ to: string; word: string; say?: string; empty?: boolean }>()
const emit = defineEmits<{ read: [file: File, answer: unknown] }>()

const input = ref<HTMLInputElement>()
const over = ref(false)
const name = ref('')
const share = ref(0)
const refused = ref<string[]>([])
let cancel = () => {}

async function fetched(files: FileList | null | undefined) {
  refused.value = []
  for (const file of files ?? []) {
    name.value = file.name
    share.value = 0
    const sending = sendScore<unknown>(props.to, file, (s) => (share.value = s))
    cancel = sending.cancel
    try {
      emit('read', file, await sending.done)
    } catch (e) {
      refused.value.push((e as Error).message)
    }
  }
  name.value = ''
  if (input.value) input.value.value = ''
}
</script>

<template>
  <section
    class="box"
    :class="{ over, empty }"
    :aria-label="word"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="((over = false), fetched($event.dataTransfer?.files))"
  >
    <p v-if="say" class="say">{{ say }}</p>
    <div class="row">
      <AButton type="primary" :disabled="!!name" @click="input?.click()">{{ word }}</AButton>
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
      @change="fetched(input?.files)"
    />
    <div v-if="name" class="row">
      <AProgress :percent="Math.round(share * 100)" size="small" class="grow" :aria-label="`Sending ${name}`" />
      <AButton size="small" @click="cancel">Cancel</AButton>
    </div>
    <p v-if="name" class="quiet">{{ share < 1 ? `Sending ${name}` : `Reading ${name}` }}</p>
    <p v-for="r in refused" :key="r" class="refused" role="alert">{{ r }}</p>
  </section>
</template>

<style scoped>
.box {
  border: 1px dashed var(--edge);
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
