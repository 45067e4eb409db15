<script setup lang="ts">
import { computed, onMounted } from 'vue'
import type { ZoomTransform } from 'd3-zoom'
import { useSurvey } from '../../state/survey'

/** Photos where they belong on the map: what a liner hides is seen by a press on its pin. */
const props = defineProps<{
  at: (p: { xMm: number; yMm: number }) => { x: number; y: number }
  transform: ZoomTransform
}>()
const survey = useSurvey()
onMounted(() => survey.loadPhotos().catch(() => undefined))
const pins = computed(() =>
  survey.photos.flatMap((p) => {
    if (!p.pin) return []
    const { x, y } = props.at(p.pin)
    return [
      {
        id: p.id,
        said: p.caption || 'Photo',
        left: props.transform.applyX(x),
        top: props.transform.applyY(y),
      },
    ]
  }),
)
</script>

<template>
  <a
    v-for="p in pins"
    :key="p.id"
    class="pin"
    :style="{ left: `${p.left}px`, top: `${p.top}px` }"
    :href="`/api/photos/${p.id}/large`"
    target="_blank"
    rel="noopener"
    :aria-label="`Photo: ${p.said}`"
    :title="p.said"
    ><img :src="`/api/photos/${p.id}/small`" alt="" width="34" height="26" loading="lazy"
  /></a>
</template>

<style scoped>
.pin {
  position: absolute;
  transform: translate(-50%, -100%);
  border: 2px solid var(--ink);
  background: var(--sheet);
  line-height: 0;
}
.pin::after {
  content: '';
  position: absolute;
  left: 50%;
  top: 100%;
  border: 6px solid transparent;
  border-top-color: var(--ink);
  transform: translateX(-50%);
}
.pin img {
  object-fit: cover;
}
</style>
