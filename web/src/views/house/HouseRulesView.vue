<script setup lang="ts">
import { App as AApp, RadioGroup as ARadioGroup, Radio as ARadio } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { api, take } from '../../api/client'
import { keys, useHouseRules } from '../../api/queries'
import { tellError } from '../../common/tell'

const rules = useHouseRules()
const queries = useQueryClient()
const { message } = AApp.useApp()

async function choose(rule: string, choice: string) {
  const version = rules.data.value?.find((r) => r.name === rule)?.version
  // Shown at once; the server's answer follows.
  queries.setQueryData(
    keys.rules,
    rules.data.value?.map((r) => (r.name === rule ? { ...r, choice } : r)),
  )
  try {
    queries.setQueryData(
      keys.rules,
      await take(api.PUT('/api/house-rules/{rule}', { params: { path: { rule } }, body: { choice, version } })),
    )
    // Every answer of a piece may rest on a house rule.
    await queries.invalidateQueries({ queryKey: ['piece'] })
    message.success('Chosen. Every station follows it from now on.')
  } catch (e) {
    tellError(e)
    await queries.invalidateQueries({ queryKey: keys.rules })
  }
}
</script>

<template>
  <main id="main" class="page">
    <h1>House rules</h1>
    <p class="quiet">
      Good teachers differ here. Each answer holds for every piece of this house; the first one of each is the usual
      one.
    </p>
    <p v-if="rules.isError.value" class="card empty">{{ rules.error.value?.message }}</p>
    <div class="card list">
      <fieldset v-for="r in rules.data.value" :key="r.name" :data-rule="r.name">
        <legend>{{ r.question }}</legend>
        <ARadioGroup :value="r.choice" :name="r.name" @update:value="(v: string) => choose(r.name, v)">
          <ARadio v-for="c in r.choices" :key="c.key" :value="c.key">{{ c.words }}</ARadio>
        </ARadioGroup>
      </fieldset>
    </div>
  </main>
</template>

<style scoped>
fieldset {
  border: 0;
  border-bottom: 1px solid var(--line);
  margin: 0;
  padding: 10px 16px;
  display: grid;
  grid-template-columns: 330px 1fr;
  align-items: center;
}
fieldset:last-child {
  border: 0;
}
legend {
  float: left;
  padding: 0;
  font-weight: 500;
}
</style>
