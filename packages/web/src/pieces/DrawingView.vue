<script setup lang="ts">
import { computed, useId } from 'vue'
import { PATTERNS, STROKE, TONE_TITLES, formatLength, type Drawing, type MaterialTone, type Units } from '@north-tide/core'

/** Draws what the core set out, in the theme's inks. The same shapes go to the PDF and to files. */
const props = defineProps<{ drawing: Drawing; units: Units; scaleBar?: boolean; picked?: string | null }>()
const emit = defineEmits<{ pick: [role: string] }>()
const uid = useId().replace(/:/g, '')

const box = computed(() => {
  const b = props.drawing.bounds
  return `${b.minX} ${-b.maxY} ${b.maxX - b.minX} ${b.maxY - b.minY}`
})
const px = computed(() => props.drawing.textMm / 13)
const tones = computed(() => [...new Set(props.drawing.shapes.flatMap((s) => (s.kind === 'area' || s.kind === 'disc' ? [s.tone] : [])))].filter((t) => PATTERNS[t]))
const points = (ps: { x: number; y: number }[]) => ps.map((p) => `${p.x},${-p.y}`).join(' ')
const fill = (t: MaterialTone) => (PATTERNS[t] ? `url(#${uid}-${t})` : t === 'none' ? 'none' : `var(--${t})`)
const bar = computed(() => props.drawing.scaleBarMm)
</script>

<template>
  <svg class="drawing" :viewBox="box" preserveAspectRatio="xMidYMid meet" role="img" :aria-label="`${drawing.title}. ${drawing.description}`">
    <defs>
      <pattern v-for="t in tones" :id="`${uid}-${t}`" :key="t" :width="PATTERNS[t]!.tile * drawing.textMm" :height="PATTERNS[t]!.tile * drawing.textMm" patternUnits="userSpaceOnUse">
        <rect width="100%" height="100%" :fill="`var(--${t})`" />
        <polyline v-for="(s, i) in PATTERNS[t]!.strokes" :key="i" :points="s.map(([x, y]) => `${x * PATTERNS[t]!.tile * drawing.textMm},${y * PATTERNS[t]!.tile * drawing.textMm}`).join(' ')" fill="none" :stroke="t === 'bedding' ? 'var(--on-bedding)' : 'var(--ink)'" stroke-opacity="0.5" stroke-linecap="round" :stroke-width="PATTERNS[t]!.width * drawing.textMm" />
      </pattern>
    </defs>
    <template v-for="(s, i) in drawing.shapes" :key="i">
      <polygon v-if="s.kind === 'area'" :points="points(s.points)" :fill="fill(s.tone)" stroke="var(--ink)" :stroke-width="(picked && s.role.startsWith(picked) ? 2.6 : STROKE.outline) * px" stroke-linejoin="round" class="part" @click="emit('pick', s.role)"><title>{{ s.label ?? TONE_TITLES[s.tone] }}</title></polygon>
      <circle v-else-if="s.kind === 'disc'" :cx="s.at.x" :cy="-s.at.y" :r="s.r" :fill="fill(s.tone)" stroke="var(--ink)" :stroke-width="px"><title>{{ s.label }}</title></circle>
      <circle v-else-if="s.kind === 'ring'" :cx="s.at.x" :cy="-s.at.y" :r="s.r" fill="none" :stroke="s.weight === 'load' ? 'var(--buoy)' : 'var(--ink)'" :stroke-width="STROKE[s.weight] * px" />
      <polyline v-else-if="s.kind === 'path'" :points="points(s.points)" fill="none" :stroke="s.weight === 'load' ? 'var(--buoy)' : 'var(--ink)'" :stroke-width="STROKE[s.weight] * px" :stroke-dasharray="s.weight === 'hidden' ? `${5 * px} ${3 * px}` : undefined" />
      <text v-else :x="s.at.x" :y="-s.at.y" :font-size="s.size" :text-anchor="s.anchor" :class="{ strong: s.weight === 'strong', load: s.load, live: s.role }" :transform="s.turned ? `rotate(-90 ${s.at.x} ${-s.at.y})` : undefined" @click="s.role && emit('pick', s.role)">{{ s.text }}</text>
    </template>
    <g v-if="scaleBar" :transform="`translate(${drawing.bounds.minX + drawing.textMm * 0.4} ${-drawing.bounds.maxY + drawing.textMm * 1.1})`">
      <path :d="`M0 ${-drawing.textMm * 0.35}V${drawing.textMm * 0.35}M0 0H${bar}M${bar / 2} ${-drawing.textMm * 0.2}V${drawing.textMm * 0.2}M${bar} ${-drawing.textMm * 0.35}V${drawing.textMm * 0.35}`" fill="none" stroke="var(--ink)" :stroke-width="1.2 * px" />
      <text :x="bar + drawing.textMm * 0.5" :y="drawing.textMm * 0.35" :font-size="drawing.textMm" class="strong">{{ formatLength(bar, units) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.drawing { width: 100%; height: 100%; display: block; }
.part { cursor: pointer; }
.part:hover { filter: brightness(0.97); }
text { font-family: var(--figures); fill: var(--ink); }
text.strong { font-weight: 600; }
text.load { fill: var(--buoy); paint-order: stroke; stroke: var(--sheet); stroke-width: 0.3em; stroke-linejoin: round; }
text.live { cursor: pointer; }
</style>
