<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'

/** What the product is made of, and under which terms. */
interface About {
  version: string
  node: string
  parts: { name: string; version: string; licence: string }[]
}
const { said, attempt } = useAttempt()
const about = ref<About | null>(null)
onMounted(() => attempt(async () => (about.value = await api<About>('GET', '/about'))))
const words = ref('')
const shown = computed(() => {
  const w = words.value.trim().toLowerCase()
  return (about.value?.parts ?? []).filter((p) => `${p.name} ${p.licence}`.toLowerCase().includes(w))
})
const byLicence = computed(() => {
  const n = new Map<string, number>()
  for (const p of about.value?.parts ?? []) n.set(p.licence, (n.get(p.licence) ?? 0) + 1)
  return [...n].sort((a, b) => b[1] - a[1]).map(([l, c]) => `${c} ${l}`)
})
</script>

<template>
  <section aria-label="About">
    <h2>North Tide {{ about?.version }}</h2>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!about && !said" :rows="4" animated />
    <template v-if="about">
      <p class="soft">
        On Node {{ about.node }}. Made with {{ about.parts.length }} free parts: {{ byLicence.join(', ') }}.
        The text of each licence lies in the folder of its part.
      </p>
      <label for="about-find" class="hidden-words">Find a part</label>
      <ElInput
        id="about-find"
        v-model="words"
        class="entry find"
        type="search"
        placeholder="name or licence …"
      />
      <RowTable
        label="Parts and licences"
        :columns="[
          { key: 'name', title: 'Part', by: (p) => p.name },
          { key: 'version', title: 'Version', class: 'figure' },
          { key: 'licence', title: 'Licence', by: (p) => p.licence },
        ]"
        :rows="shown"
        :known="(p) => p.name + p.version"
        empty="No part is called that."
      />
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
}
.find {
  max-width: 320px;
}
.bad {
  color: var(--short);
}
</style>
