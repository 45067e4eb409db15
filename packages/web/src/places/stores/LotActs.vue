<script setup lang="ts">
import { ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import type { Lot } from '../../types'
import { useSession } from '../../state/session'

/** What happens to a lot: opened, drawn from, more received, used up, tried before it is used. */
const props = defineProps<{ lot: Lot; doubtful: boolean }>()
const emit = defineEmits<{ kept: [lots: Lot[]]; said: [why: string]; went: [] }>()
const session = useSession()
const doing = ref<'' | 'draw' | 'receive' | 'test'>('')
const text = ref('')
const busy = ref(false)
const TITLES = {
  draw: 'How much was taken',
  receive: 'How much came',
  test: 'What the bead or cup did',
}
async function tell(how: () => Promise<Lot[]>) {
  busy.value = true
  try {
    emit('kept', await how())
    doing.value = ''
    text.value = ''
  } catch (error) {
    if (!session.ended(error)) emit('said', error instanceof Error ? error.message : 'It was not kept')
  } finally {
    busy.value = false
  }
}
const change = (next: Partial<Pick<Lot, 'quantity' | 'openedOn'>>) =>
  tell(() =>
    api<Lot[]>('PUT', `/lots/${props.lot.id}`, {
      was: { quantity: props.lot.quantity, openedOn: props.lot.openedOn },
      ...next,
    }),
  )
const amount = () => Number(text.value.trim().replace(',', '.'))
function act(command: string) {
  if (command === 'open') return change({ openedOn: dayjs().format('YYYY-MM-DD') })
  if (command === 'gone') return change({ quantity: 0 })
  if (command === 'went') return emit('went')
  doing.value = command as typeof doing.value
}
function send() {
  if (doing.value === 'test')
    return tell(() => api<Lot[]>('POST', `/lots/${props.lot.id}/test`, { note: text.value }))
  const n = amount()
  if (!(n > 0)) return emit('said', `“${text.value}” is no amount; a figure as 1.5 is accepted`)
  if (props.lot.quantity === null && doing.value === 'draw')
    return emit('said', `How much there is of ${props.lot.code} was never said: say what came in first`)
  const now = props.lot.quantity ?? 0
  const next = doing.value === 'draw' ? now - n : now + n
  if (next < 0)
    return emit('said', `${props.lot.code} has ${now} ${props.lot.unit}: ${n} cannot be taken from it`)
  return change({ quantity: Number(next.toFixed(3)) })
}
</script>

<template>
  <span class="acts">
    <ElButton v-if="doubtful && doing !== 'test'" class="act" @click="doing = 'test'">Record a test</ElButton>
    <ElDropdown v-if="!doing" trigger="click" :persistent="false" @command="act">
      <template #default
        ><ElButton class="act" :aria-label="`What happened to ${lot.code}`">What happened</ElButton></template
      >
      <template #dropdown>
        <ElDropdownMenu>
          <ElDropdownItem v-if="!lot.openedOn" command="open">opened today</ElDropdownItem>
          <ElDropdownItem command="draw">some was taken</ElDropdownItem>
          <ElDropdownItem command="receive">more came in</ElDropdownItem>
          <ElDropdownItem v-if="lot.quantity !== 0" command="gone">used up</ElDropdownItem>
          <ElDropdownItem command="test">a bead or cup was tried</ElDropdownItem>
          <ElDropdownItem command="went" divided>where it went, and taking it back</ElDropdownItem>
        </ElDropdownMenu>
      </template>
    </ElDropdown>
    <form v-else class="now" @submit.prevent="send">
      <label :for="`lot-${lot.id}`"
        >{{ TITLES[doing] }}<template v-if="doing !== 'test' && lot.unit">, {{ lot.unit }}</template></label
      >
      <ElInput
        :id="`lot-${lot.id}`"
        v-model="text"
        :inputmode="doing === 'test' ? 'text' : 'decimal'"
        maxlength="300"
        @keydown.esc="doing = ''"
      />
      <ElButton class="act main" native-type="submit" :disabled="!text.trim() || busy">Record</ElButton>
      <ElButton class="plain" @click="doing = ''">leave it</ElButton>
    </form>
  </span>
</template>

<style scoped>
.acts {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 8px;
}
.now {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.now .el-input {
  width: 150px;
}
</style>
