<script setup lang="ts">
import { RadioGroup as ARadioGroup, Radio as ARadio } from 'ant-design-vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys, useHouseRules } from '../../api/queries'
import { queries } from '../../api/queryClient'

const rules = useHouseRules()

// Shown at once; a refusal brings back what stood there.
function expect(rule: string, choice: string) {
  const before = rules.data.value
  queries.setQueryData(
    keys.rules,
    before?.map((r) => (r.name === rule ? { ...r, choice } : r)),
  )
  return () => queries.setQueryData(keys.rules, before)
}

function choose(r: Schemas['HouseRuleView'], choice: string) {
  const { name: rule, choice: before, version } = r
  if (choice === before) return
  void doAct({
    key: `rule ${rule}`,
    run: () => fetched(api.PUT('/api/house-rules/{rule}', { params: { path: { rule } }, body: { choice, version } })),
    words: `${r.question} ${r.choices.find((c) => c.key === choice)?.words}: every station follows it from now on.`,
    undo: () => ({ kind: 'ruleChosen', rule, before }),
    expect: () => expect(rule, choice),
    // Every answer of a piece may rest on a house rule.
    fresh: [keys.rules, keys.pieces, keys.passages],
  })
}
</script>

<template>
  <main id="main" class="page">
    <h1>House rules</h1>
    <p class="quiet">
      Good teachers differ here. Each answer holds for every piece of this school; the first one of each is the usual
      one.
    </p>
    <p v-if="rules.isError.value" class="card empty">{{ rules.error.value?.message }}</p>
    <div class="card list">
      <fieldset v-for="r in rules.data.value" :key="r.name" :data-rule="r.name">
        <legend>{{ r.question }}</legend>
        <ARadioGroup :value="r.choice" :name="r.name" @update:value="(v: string) => choose(r, v)">
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
