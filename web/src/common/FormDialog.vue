<script setup lang="ts">
import { Button as AButton, Modal as AModal } from 'ant-design-vue'
import { nextTick, onMounted, ref } from 'vue'

/** A dialog with a form in it: Enter saves, Esc closes, the first field has the focus, and a refusal stands in it. */
const props = withDefaults(
  defineProps<{
    title: string
    okText: string
    width?: string
    busy?: boolean
    refused?: string
    /** Words of a second button that saves and leaves the dialog open for the next one. */
    another?: string
    disabled?: boolean
    cancelText?: string
    /** What has the focus first: a field, or the button that saves. */
    start?: 'field' | 'save'
  }>(),
  {
    width: '420px',
    busy: false,
    refused: '',
    another: undefined,
    disabled: false,
    cancelText: 'Cancel',
    start: 'field',
  },
)
const emit = defineEmits<{ save: []; another: []; close: [] }>()
const firsts = { field: '[autofocus], input, select, textarea', save: '[type=submit]' }
const form = ref<HTMLFormElement>()

onMounted(async () => {
  await nextTick()
  // The dialog takes the focus itself first.
  setTimeout(() => {
    if (!form.value?.contains(document.activeElement))
      form.value?.querySelector<HTMLElement>(firsts[props.start])?.focus()
  }, 60)
})
</script>

<template>
  <AModal open :title="title" :width="width" :footer="null" @cancel="emit('close')">
    <form ref="form" class="form-dialog" @submit.prevent="emit('save')">
      <slot />
      <p v-if="refused" role="alert" class="refused">{{ refused }}</p>
      <div class="ends">
        <slot name="left" />
        <AButton @click="emit('close')">{{ cancelText }}</AButton>
        <AButton v-if="another" :disabled="disabled || busy" @click="emit('another')">{{ another }}</AButton>
        <AButton type="primary" html-type="submit" :loading="busy" :disabled="disabled">{{ okText }}</AButton>
      </div>
    </form>
  </AModal>
</template>

<style scoped>
.form-dialog {
  display: grid;
  gap: 10px;
}
.ends {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 6px;
}
.refused {
  margin: 0;
  color: var(--rosin);
}
</style>
