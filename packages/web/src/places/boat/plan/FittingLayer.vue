<script setup lang="ts">
import type { BoatPicture } from '../../../types'
import type { PlanSheet } from './sheet'
import { sizeOf } from './things'

/** Fittings on the deck, and what else is worked on there, each a link to its bench. */
const props = defineProps<{ boat: BoatPicture; sheet: PlanSheet; k: number; lit: Set<string> | null }>()
const emit = defineEmits<{ fitting: [id: string] }>()
const { X, Y, scale } = props.sheet
</script>

<template>
  <g>
    <a
      v-for="f in boat.fittings"
      :key="f.id"
      role="link"
      tabindex="0"
      :aria-label="`${f.name}, ${f.verdict}`"
      class="fitting"
      @click.stop="emit('fitting', f.id)"
      @keydown.enter.stop="emit('fitting', f.id)"
    >
      <title>{{ f.name }}, {{ f.verdict }}</title>
      <rect
        :x="X(f.xMm - sizeOf(f).l / 2)"
        :y="Y(f.yMm + sizeOf(f).w / 2)"
        :width="sizeOf(f).l * scale"
        :height="sizeOf(f).w * scale"
        :rx="sizeOf(f).r * scale"
        :class="[f.verdict, { faint: lit && !lit.has(f.id), lit: lit?.has(f.id) }]"
      />
    </a>
    <a
      v-for="f in boat.others"
      :key="f.id"
      role="link"
      tabindex="0"
      :aria-label="`${f.name}, ${f.alarm ?? f.verdict}`"
      class="fitting"
      @click.stop="emit('fitting', f.id)"
      @keydown.enter.stop="emit('fitting', f.id)"
    >
      <title>{{ f.name }}, {{ f.alarm ?? f.verdict }}</title>
      <rect
        v-if="f.sweep"
        class="sweep"
        :x="X(f.sweep.minX)"
        :y="Y(f.sweep.maxY)"
        :width="(f.sweep.maxX - f.sweep.minX) * scale"
        :height="(f.sweep.maxY - f.sweep.minY) * scale"
      >
        <title>{{ f.name }}: where its lid comes down, opened flat</title>
      </rect>
      <polygon :points="f.outline.map((p) => `${X(p.xMm)},${Y(p.yMm)}`).join(' ')" :class="f.verdict" />
      <g
        v-if="f.alarm || f.temporary"
        class="sign"
        :class="{ alarm: f.alarm }"
        :transform="`translate(${X(f.xMm)} ${Y(f.yMm)}) scale(${1 / k})`"
      >
        <path d="M0-13 12 8H-12Z" />
        <path class="mark" :d="f.alarm ? 'M0-6V2M0 5V5.5' : 'M-4 4H4M-4 1H4M-2-2H2'" />
      </g>
    </a>
  </g>
</template>

<style scoped>
.fitting {
  cursor: pointer;
}
.fitting :is(rect, polygon) {
  fill: var(--hardware);
  stroke: var(--ink);
  stroke-width: calc(1.2px * var(--k));
}
.sign path {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
}
.sign.alarm path:first-child {
  fill: var(--short);
}
.sign.alarm .mark {
  stroke: var(--paper);
  stroke-width: 2.4;
}
.sign .mark {
  fill: none;
  stroke-linecap: round;
}
.fitting rect.sweep {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: calc(1px * var(--k));
  stroke-dasharray: calc(4px * var(--k)) calc(3px * var(--k));
  pointer-events: none;
}
.fitting :is(rect, polygon).short {
  stroke: var(--short);
  stroke-width: calc(2px * var(--k));
  stroke-dasharray: calc(4px * var(--k)) calc(2px * var(--k));
}
.fitting :is(rect, polygon).unproven {
  stroke-dasharray: calc(3px * var(--k)) calc(2px * var(--k));
}
.fitting:hover rect {
  fill: var(--tide-soft);
}
.fitting :is(rect, polygon).faint {
  opacity: 0.3;
}
.fitting :is(rect, polygon).lit {
  stroke: var(--tide);
  stroke-width: calc(3px * var(--k));
}
</style>
