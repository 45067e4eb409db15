<script setup lang="ts">
/** The tray under a bench: its pages by name at the left, on a phone in a row above. */
defineProps<{
  tabs: readonly string[]
  /** there is something to show */
  ready: boolean
  /** a page that wants more room than the others */
  tall?: boolean
}>()
const shown = defineModel<string>({ required: true })
</script>

<template>
  <section class="tray" :class="{ tall }" aria-label="Tray">
    <div class="tabs" role="tablist" aria-label="Tray">
      <ElButton
        v-for="t in tabs"
        :id="`tab-${t}`"
        :key="t"
        v-memo="[shown === t]"
        class="plain tab"
        role="tab"
        :aria-selected="shown === t"
        aria-controls="tray-page"
        @click="shown = t"
      >
        {{ t }}
      </ElButton>
    </div>
    <div
      v-if="ready"
      id="tray-page"
      class="page"
      role="tabpanel"
      :aria-labelledby="`tab-${shown}`"
      tabindex="0"
    >
      <slot />
    </div>
  </section>
</template>

<style scoped src="./tray.css"></style>
<style scoped>
.tray {
  height: var(--tray, 320px);
}
.tray.tall {
  height: min(48vh, 440px);
}
.tab {
  min-height: 26px;
  text-align: left;
  flex: none;
}
@media (max-width: 767px) {
  .tray,
  .tray.tall {
    height: auto;
  }
  .tab {
    min-height: var(--touch);
  }
}
</style>
