<script setup lang="ts">
import FormDialog from './FormDialog.vue'

/** What looks like a slip is asked before it is done: Enter does it all the same, Esc goes back. */
defineProps<{ questions: readonly string[]; okText: string }>()
const emit = defineEmits<{ yes: []; no: [] }>()
</script>

<template>
  <FormDialog
    title="Is this meant?"
    width="460px"
    :ok-text="okText"
    cancel-text="Go back"
    start="save"
    @save="emit('yes')"
    @close="emit('no')"
  >
    <ul>
      <li v-for="q in questions" :key="q">{{ q }}</li>
    </ul>
  </FormDialog>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 18px;
}
li {
  margin-bottom: 6px;
}
</style>
