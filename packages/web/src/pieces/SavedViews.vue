<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api'
import { useAttempt } from './attempt'

/**
 * Views of a place that somebody gave a name: what is looked for, the groups. What stands in the address is
 * what is kept; taking one puts it there again.
 */
const props = defineProps<{ place: 'register' }>()
const emit = defineEmits<{ taken: [query: Record<string, string>] }>()
interface View {
  id: number
  name: string
  query: Record<string, string>
  shared: boolean
  mine: boolean
  by: string
}
const { said, attempt } = useAttempt()
const route = useRoute()
const router = useRouter()
const views = ref<View[]>([])
const name = ref('')
const shared = ref(false)
const open = ref(false)
const now = computed(() =>
  Object.fromEntries(Object.entries(route.query).map(([k, v]) => [k, String(Array.isArray(v) ? v[0] : v)])),
)
const same = (q: Record<string, string>) => {
  const keys = Object.keys(now.value)
  return keys.length === Object.keys(q).length && keys.every((k) => q[k] === now.value[k])
}
const on = computed(() => views.value.find((v) => same(v.query)))
const asked = (method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown) =>
  attempt(async () => {
    views.value = (await api<{ views: View[] }>(method, path, body)).views
  })
onMounted(() => asked('GET', `/views?place=${props.place}`))
async function keep() {
  if (!name.value.trim()) return void (said.value = 'Give it a name')
  await asked('POST', '/views', {
    place: props.place,
    name: name.value,
    query: now.value,
    shared: shared.value,
  })
  if (!said.value) name.value = ''
}
async function take(v: View) {
  await router.replace({ query: v.query })
  emit('taken', v.query)
  open.value = false
}
</script>

<template>
  <ElPopover v-model:visible="open" trigger="click" placement="bottom-start" :width="340">
    <template #reference
      ><ElButton class="act" :aria-expanded="open">{{
        on ? `View: ${on.name}` : 'Views'
      }}</ElButton></template
    >
    <section class="views" aria-label="Views that are kept">
      <p v-if="!views.length" class="soft small">
        None is kept yet. Look for something, group it, and give it a name here.
      </p>
      <ul v-else>
        <li v-for="v in views" :key="v.id">
          <button
            type="button"
            class="take"
            :aria-current="on?.id === v.id ? 'true' : undefined"
            @click="take(v)"
          >
            {{ v.name }}
            <span v-if="v.shared" class="soft small">{{ v.mine ? 'for everybody' : `of ${v.by}` }}</span>
          </button>
          <ElButton
            v-if="v.mine"
            class="act small"
            :aria-label="`Let ${v.name} go`"
            @click="asked('DELETE', `/views/${v.id}`)"
            >Let go</ElButton
          >
        </li>
      </ul>
      <form aria-label="Keep this view" @submit.prevent="keep">
        <label for="view-name">Keep what is shown as</label>
        <ElInput id="view-name" v-model="name" class="entry" maxlength="80" />
        <ElCheckbox v-model="shared">for everybody in the yard</ElCheckbox>
        <ElButton class="act main" native-type="submit">Keep this view</ElButton>
      </form>
      <p v-if="said" class="bad small" role="alert">{{ said }}</p>
    </section>
  </ElPopover>
</template>

<style scoped>
.views,
.views form {
  display: grid;
  gap: 8px;
}
.views ul {
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 260px;
  overflow-y: auto;
}
.views li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  border-bottom: 1px solid var(--line);
}
.take {
  flex: 1;
  border: 0;
  background: none;
  padding: 8px 0;
  text-align: left;
  color: var(--tide);
  font: inherit;
  cursor: pointer;
}
.take[aria-current] {
  font-weight: 600;
  color: var(--ink);
}
.views form {
  border-top: 1px solid var(--line-strong);
  padding-top: 8px;
}
</style>
