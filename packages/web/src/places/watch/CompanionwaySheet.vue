<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'

/** The sheet that hangs by the companionway, and whether it is still true. */
interface Papers {
  code: string
  through: number
  hangs: { code: string; who: string; at: string; stale: boolean } | null
}
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const papers = ref<Papers | null>(null)
const at = computed(() => `/boats/${boats.picture!.id}`)
watch(
  () => boats.picture?.id,
  (id) => id && attempt(async () => void (papers.value = await api<Papers>('GET', `${at.value}/papers`))),
  { immediate: true },
)
const hang = () =>
  attempt(async (key) => {
    papers.value = await api<Papers>('POST', `${at.value}/papers`, { code: papers.value!.code }, key)
  })
</script>

<template>
  <section v-if="papers" class="sheet" aria-label="Sheet by the companionway">
    <h2>Sheet by the companionway</h2>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <p v-if="!papers.hangs">
      None is said to hang there. It names her {{ papers.through }} through-hulls, what to reach first on top.
    </p>
    <p v-else-if="papers.hangs.stale" class="bad">
      The one that hangs there, <span class="figure">{{ papers.hangs.code }}</span> of
      {{ dayjs(papers.hangs.at).format('D MMM YYYY') }}, is out of date: a through-hull has changed since.
    </p>
    <p v-else>
      The one that hangs there, <span class="figure">{{ papers.hangs.code }}</span> of
      {{ dayjs(papers.hangs.at).format('D MMM YYYY') }}, is as she is.
    </p>
    <p class="acts">
      <a class="act" :href="`/api${at}/companionway.pdf`" download>Print it</a>
      <ElButton
        v-if="session.may('work', boats.picture?.id) && papers.hangs?.code !== papers.code"
        class="act"
        :disabled="busy"
        @click="hang"
        >Sheet {{ papers.code }} hangs there</ElButton
      >
    </p>
  </section>
</template>

<style scoped>
.sheet {
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
}
h2 {
  font-size: 1rem;
}
.acts {
  display: flex;
  gap: 8px;
}
.bad {
  color: var(--short);
  font-weight: 600;
}
</style>
