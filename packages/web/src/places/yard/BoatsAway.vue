<script setup lang="ts">
import { ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import { useBoats } from '../../state/boats'

/** Boats that left the yard: put away, so that nothing is written in them; never removed. */
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const asking = ref('')
const why = ref('')
const put = (id: string, body: object) =>
  attempt(async () => {
    await api('PUT', `/boats/${id}/archive`, body)
    asking.value = ''
    why.value = ''
    await boats.loadList()
    await boats.refresh()
  })
</script>

<template>
  <section aria-label="Boats">
    <h2>Boats</h2>
    <p class="soft small">
      A boat that left is put away: she is read as ever, her passport goes out, and nothing is written in her.
      She is never removed.
    </p>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ul>
      <li v-for="b in boats.list" :key="b.id">
        <span
          ><strong>{{ b.name }}</strong>
          <span v-if="b.archived" class="small soft">
            put away {{ dayjs(b.archived.at).format('D MMM YYYY') }} by {{ b.archived.by }}:
            {{ b.archived.why }}</span
          ></span
        >
        <ElButton v-if="b.archived" class="act" :disabled="busy" @click="put(b.id, { archived: false })"
          >Take {{ b.name }} out again</ElButton
        >
        <form
          v-else-if="asking === b.id"
          :aria-label="`Put ${b.name} away`"
          @submit.prevent="put(b.id, { archived: true, why })"
        >
          <ElInput
            v-model="why"
            class="entry"
            maxlength="300"
            placeholder="sold"
            :aria-label="`Why ${b.name} is put away`"
          />
          <ElButton class="act main" native-type="submit" :disabled="busy || !why.trim()"
            >Put her away</ElButton
          >
          <ElButton class="act" @click="asking = ''">Leave it</ElButton>
        </form>
        <ElButton v-else class="act" @click="asking = b.id">Put {{ b.name }} away</ElButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
}
ul {
  list-style: none;
  padding: 0;
  max-width: 760px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  justify-content: space-between;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.bad {
  color: var(--short);
}
</style>
