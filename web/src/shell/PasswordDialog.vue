<script setup lang="ts">
import { InputPassword as AInputPassword } from 'ant-design-vue'
import { ref } from 'vue'
import { doAct, isBusy } from '../acts/useAct'
import { api, fetched } from '../api/client'
import FormDialog from '../common/FormDialog.vue'

const emit = defineEmits<{ close: [] }>()
const present = ref('')
const next = ref('')
const refused = ref('')
const busy = isBusy('password')

async function save() {
  const done = await doAct({
    key: 'password',
    run: async () => {
      await fetched(api.PUT('/api/session/password', { body: { present: present.value, next: next.value } }))
      return true
    },
    words: 'The password is changed. Everybody else who was signed in has to sign in again.',
    fresh: [],
    refused: (e) => (refused.value = (e as Error).message),
  })
  if (done) emit('close')
}
</script>

<template>
  <FormDialog
    title="Change the password"
    ok-text="Change"
    :busy="busy"
    :refused="refused"
    @save="save"
    @close="emit('close')"
  >
    <label class="field"
      >Present password <AInputPassword v-model:value="present" autocomplete="current-password"
    /></label>
    <label class="field">New password <AInputPassword v-model:value="next" autocomplete="new-password" /></label>
    <p class="quiet">At least ten characters; four words that do not belong together do well.</p>
  </FormDialog>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
