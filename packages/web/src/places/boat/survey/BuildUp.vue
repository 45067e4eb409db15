<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { REACH_TITLES, layupSaid } from '@north-tide/core'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import BoatForm from './BoatForm.vue'
import OutlineForm from './OutlineForm.vue'
import PartForm from './PartForm.vue'
import ZoneForm from './ZoneForm.vue'

const boats = useBoats()
const session = useSession()
const router = useRouter()
const boat = computed(() => boats.picture!)
const may = computed(() => session.may('boat-book'))
/** 'boat', 'outline', 'zone:12', 'zone:new', 'part:3', 'part:new', 'new-boat' */
const open = ref('boat')
const zone = computed(() => boat.value.zones.find((z) => `zone:${z.id}` === open.value) ?? null)
const part = computed(() => boat.value.parts.find((p) => `part:${p.id}` === open.value) ?? null)
async function made(id: string) {
  await boats.loadList()
  await boats.open(id)
  open.value = 'boat'
  await router.push(`/boat/${id}/build`)
}
</script>

<template>
  <div class="build">
    <nav class="list" aria-label="Parts of the boat">
      <ElButton class="plain item" :class="{ on: open === 'boat' }" @click="open = 'boat'">
        <strong>{{ boat.name }}</strong><small>main dimensions, duty, units</small>
      </ElButton>
      <ElButton class="plain item" :class="{ on: open === 'outline' }" @click="open = 'outline'">
        <strong>Outline</strong><small>{{ boat.stations.length }} stations: half-breadth, sheer, keel</small>
      </ElButton>
      <div class="group">
        <h2>Zones</h2>
        <ElButton v-if="may" class="act" @click="open = 'zone:new'">Add a zone</ElButton>
      </div>
      <p v-if="!boat.zones.length" class="soft small">
        A zone is a surface of one build-up: a deck, a roof, a topside. Add the first, and fittings there know
        what they stand on.
      </p>
      <ElButton
        v-for="z in boat.zones"
        :key="z.id"
        class="plain item"
        :class="{ on: open === `zone:${z.id}` }"
        @click="open = `zone:${z.id}`"
      >
        <strong>{{ z.title }}</strong><small
          >{{ layupSaid(z, boats.units) }} · reach {{ REACH_TITLES[z.reachKind ?? 'unknown'] }}</small
        >
      </ElButton>
      <div class="group">
        <h2>Structure</h2>
        <ElButton v-if="may" class="act" @click="open = 'part:new'">Add a part</ElButton>
      </div>
      <ElButton
        v-for="p in boat.parts"
        :key="p.id"
        class="plain item part"
        :class="{ on: open === `part:${p.id}` }"
        @click="open = `part:${p.id}`"
      >
        <strong>{{ p.title }}</strong><small
          >{{ p.kind }}, x {{ Math.round(p.x0Mm)
          }}{{ p.x1Mm !== p.x0Mm ? ` to ${Math.round(p.x1Mm)}` : '' }}</small
        >
      </ElButton>
      <ElButton v-if="may" class="act" @click="open = 'new-boat'">Begin another boat</ElButton>
    </nav>
    <div class="form" tabindex="0" aria-label="What is chosen">
      <BoatForm
        v-if="open === 'boat'"
        :key="boat.id"
        :boat="boat"
        :may="may"
        @saved="
          () => {
            boats.refresh()
            boats.loadList()
          }
        "
      />
      <BoatForm v-else-if="open === 'new-boat'" key="new" :may="may" @made="made" />
      <OutlineForm v-else-if="open === 'outline'" :key="`o${boat.id}`" :boat="boat" :may="may" />
      <ZoneForm
        v-else-if="open.startsWith('zone:')"
        :key="open"
        :boat="boat"
        :zone="zone"
        :may="may"
        @gone="open = 'boat'"
        @made="open = `zone:${$event}`"
      />
      <PartForm v-else :key="`p${open}`" :boat="boat" :part="part" :may="may" @gone="open = 'boat'" />
    </div>
  </div>
</template>

<style scoped>
.build {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  overflow: hidden !important;
  height: 100%;
}
.list {
  overflow-y: auto;
  border-right: 1px solid var(--line-strong);
  padding: 10px 16px 20px;
}
.item {
  display: block;
  width: 100%;
  padding: 7px 10px;
  border-left: 4px solid transparent;
  min-height: var(--touch);
  border-bottom: 1px solid var(--line);
}
.item.on {
  background: var(--sheet);
  border-left-color: var(--tide);
}
.item small {
  display: block;
  color: var(--ink-soft);
  font-size: var(--text-small);
}
.part {
  padding-block: 4px;
}
.group {
  margin-top: 16px;
  align-items: center;
}
.form {
  overflow: auto;
  padding: 14px 24px 30px;
}
.list > .act {
  margin-top: 16px;
}
@media (max-width: 767px) {
  .build {
    display: block;
    height: auto;
    overflow: visible !important;
  }
  .list {
    border-right: 0;
    border-bottom: 1px solid var(--line-strong);
    max-height: 46dvh;
  }
  /* What is pressed is laid out in a line on a phone; these are two, one under the other. */
  .list .item.el-button {
    flex-direction: column;
    justify-content: center;
    align-items: flex-start;
  }
  .form {
    padding: 14px;
  }
}
</style>
