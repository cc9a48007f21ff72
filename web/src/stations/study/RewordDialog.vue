<script setup lang="ts">
import { Textarea as ATextarea } from 'ant-design-vue'
import { ref } from 'vue'
import type { Finding } from '../../api/client'
import FormDialog from '../../common/FormDialog.vue'

/** What players read of a finding, in the director's own words. */
const props = defineProps<{ finding: Finding }>()
const emit = defineEmits<{ close: []; save: [words: string | null] }>()
const own = `${props.finding.title}. ${props.finding.why}`
const words = ref(props.finding.words ?? own)
const save = () => {
  const text = words.value.trim()
  emit('save', text === '' || text === own ? null : text)
}
</script>

<template>
  <FormDialog title="What players read" ok-text="Send it so" width="520px" @save="save" @close="emit('close')">
    <label class="field"
      >In letters and on sheets
      <ATextarea v-model:value="words" :rows="4" :maxlength="200" show-count @keydown.ctrl.enter="save"
    /></label>
    <p class="quiet">Empty it to use the finding’s own words.</p>
  </FormDialog>
</template>

<style scoped>
p {
  margin: 8px 0 0;
}
</style>
