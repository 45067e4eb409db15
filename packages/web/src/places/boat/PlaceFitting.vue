<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import type { Units } from '@north-tide/core'
import type { BoatPicture } from '../../types'
import { WAYS } from './place/goods'
import GoodsList from './place/GoodsList.vue'
import PlaceWhere from './place/PlaceWhere.vue'
import { usePlacing } from './place/placing'
import type { Spot3 } from './plan/sheet'

/** What goes at a place that was pointed at: of every kind one dialog, and one way to put it there. */
const props = defineProps<{ boat: BoatPicture; units: Units; at: Spot3 }>()
const emit = defineEmits<{ close: []; placed: [id: string] }>()
const placing = usePlacing(props, (to) => emit('placed', to))
const { way, words, picked, found, entry, place, said, busy, unsure } = placing
const list = ref<InstanceType<typeof GoodsList>>()
/** Whoever types already is not taken out of his field when the dialog has come to rest. */
const toSearch = () => {
  if (!(document.activeElement instanceof HTMLInputElement)) list.value?.focus()
}
onMounted(() => nextTick(toSearch))
</script>

<template>
  <ElDialog
    :model-value="true"
    title="What goes here?"
    width="720px"
    top="7vh"
    @opened="toSearch"
    @close="emit('close')"
  >
    <form class="place" @submit.prevent="place">
      <ElRadioGroup v-model="way" class="ways" aria-label="Where it goes"
        ><ElRadio v-for="(t, w) in WAYS" :key="w" :value="w" border>{{ t.title }}</ElRadio></ElRadioGroup
      >
      <PlaceWhere :boat="boat" :units="units" :placing="placing" />
      <GoodsList
        ref="list"
        v-model:words="words"
        :way="way"
        :found="found"
        :chosen="entry?.id"
        @choose="picked = $event"
      />
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <div class="acts">
        <ElButton class="act" @click="emit('close')">Leave it</ElButton
        ><ElButton native-type="submit" class="act main" :disabled="!entry || busy || unsure">
          {{ entry ? `Put ${entry.id} there` : 'Choose a fitting' }}
        </ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: 290px 1fr;
  gap: 16px 24px;
}
.ways {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 1fr 1fr;
  grid-auto-rows: 1fr;
  gap: 8px 10px;
}
.said {
  grid-column: 1 / -1;
  color: var(--short);
  font-weight: 600;
}
.acts {
  grid-column: 1 / -1;
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
@media (max-width: 767px) {
  .place {
    grid-template-columns: minmax(0, 1fr);
  }
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
