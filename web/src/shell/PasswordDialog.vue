<script setup lang="ts">
import { App as AApp, InputPassword as AInputPassword, Modal as AModal } from 'ant-design-vue'
import { ref } from 'vue'
import { api, take } from '../api/client'

const emit = defineEmits<{ close: [] }>()
const { message } = AApp.useApp()
const present = ref('')
const next = ref('')
const refused = ref('')

async function save() {
  try {
    await take(api.PUT('/api/session/password', { body: { present: present.value, next: next.value } }))
    message.success('The password is changed. Everybody else who was signed in has to sign in anew.')
    emit('close')
  } catch (e) {
    refused.value = (e as Error).message
  }
}
</script>

<template>
  <AModal open title="Change the password" ok-text="Change" width="420px" @ok="save" @cancel="emit('close')">
    <form class="grid" @submit.prevent="save">
      <label class="field"
        >The present password <AInputPassword v-model:value="present" autocomplete="current-password"
      /></label>
      <label class="field">The new one <AInputPassword v-model:value="next" autocomplete="new-password" /></label>
      <p class="quiet">At least ten characters; four words that do not belong together do well.</p>
      <p v-if="refused" role="alert">{{ refused }}</p>
      <button type="submit" class="visually-hidden" tabindex="-1">Change</button>
    </form>
  </AModal>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 10px;
}
p {
  margin: 0;
}
</style>
