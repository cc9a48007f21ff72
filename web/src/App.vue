<script setup lang="ts">
import { App as AApp, ConfigProvider as AConfigProvider } from 'ant-design-vue'
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import ActBar from './acts/ActBar.vue'
import { useActs } from './acts/store'
import { useSession } from './api/queries'
import { useFocusHome } from './common/useFocusHome'
import AppNav from './shell/AppNav.vue'
import AwayBanner from './shell/AwayBanner.vue'
import ShortcutsDialog from './shell/ShortcutsDialog.vue'
import { theme } from './theme'

const route = useRoute()
const bare = computed(() => route.meta.bare === true)
useFocusHome()
const session = useSession()
watch(
  () => session.data.value?.school,
  (school) => school && useActs().belongTo(school),
  { immediate: true },
)
</script>

<template>
  <AConfigProvider :theme="theme">
    <AApp class="shell">
      <a class="skip" href="#main">Skip to the work</a>
      <AwayBanner />
      <AppNav v-if="!bare && route.name !== 'piece' && route.name !== 'parts'" />
      <RouterView />
      <ShortcutsDialog />
      <ActBar />
    </AApp>
  </AConfigProvider>
</template>

<style>
.shell {
  min-height: 100%;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 10;
  background: var(--card);
  padding: 6px 10px;
}
</style>
