<script setup lang="ts">
import { App as AApp } from 'ant-design-vue'
import { setSayer } from '../common/tell'

/** Where failures of requests are said; the sentence is its own key, so that it stands there once. */
const { message } = AApp.useApp()
setSayer((sentence) => void message.error({ content: sentence, key: sentence, duration: 6 }))
</script>

<template><span hidden></span></template>
