<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import type { ZoomTransform } from 'd3-zoom'
import type { LifeState } from '@north-tide/core'
import { drawSign, inksOf } from '../../pieces/life-canvas'

/**
 * Holes as a bitmap of signs: a few thousand go by at the screen's own pace. Each is told apart by shape;
 * the words are under the pointer and in the register.
 */
export interface Sign {
  id: number
  x: number
  y: number
  state: LifeState
  label: string
}
const props = defineProps<{
  signs: Sign[]
  transform: ZoomTransform
  size: number
  width: number
  height: number
  lit: Set<number> | null
  labels: boolean
}>()
const canvas = ref<HTMLCanvasElement>()
const dim = useLocalStorage('north-tide:dim', false)
const sprites = new Map<string, HTMLCanvasElement>()

function sprite(state: LifeState, px: number, faint: boolean): HTMLCanvasElement {
  const key = `${state}:${px}:${faint}`
  const had = sprites.get(key)
  if (had) return had
  const c = document.createElement('canvas')
  c.width = c.height = px
  const ctx = c.getContext('2d')!
  ctx.translate(px / 2, px / 2)
  ctx.scale(px / 22, px / 22)
  ctx.lineCap = 'butt'
  if (faint) ctx.globalAlpha = 0.25
  drawSign(ctx, state, inksOf(document.documentElement))
  sprites.set(key, c)
  return c
}

/**
 * Drawn so far beyond each edge: dragged less far than that, the picture of them is moved as it is, which
 * costs nothing however many there are.
 */
const BEYOND_PX = 240
/** After a drag it is drawn anew round where the map came to rest. */
const REST_MS = 250
let drawnAt: ZoomTransform | null = null
let rest: ReturnType<typeof setTimeout> | undefined
const away = () => ({ x: props.transform.x - drawnAt!.x, y: props.transform.y - drawnAt!.y })
/** Whether the drag of the same picture is all that has changed, and there is enough of it. */
function moved(): boolean {
  if (!drawnAt || drawnAt.k !== props.transform.k) return false
  const { x, y } = away()
  if (Math.max(Math.abs(x), Math.abs(y)) > BEYOND_PX) return false
  canvas.value!.style.transform = `translate(${x}px, ${y}px)`
  clearTimeout(rest)
  if (x || y) rest = setTimeout(soon, REST_MS)
  return true
}

let asked = 0
function draw() {
  asked = 0
  const el = canvas.value
  if (!el || !props.width || !props.height) return
  clearTimeout(rest)
  drawnAt = props.transform
  el.style.transform = ''
  const dpr = window.devicePixelRatio || 1
  const wide = (px: number) => Math.round((px + 2 * BEYOND_PX) * dpr)
  const [w, h] = [wide(props.width), wide(props.height)]
  if (el.width !== w || el.height !== h) {
    el.width = w
    el.height = h
  }
  const ctx = el.getContext('2d')!
  ctx.clearRect(0, 0, w, h)
  const px = Math.max(6, Math.round(22 * props.size * dpr))
  const { k } = props.transform
  const [x, y] = [props.transform.x + BEYOND_PX, props.transform.y + BEYOND_PX]
  const faintToo = props.lit !== null
  const ink = inksOf(document.documentElement)
  // Of each sign and shade one picture, found without a word made up for every hole.
  const [clear, faint] = [new Map<LifeState, HTMLCanvasElement>(), new Map<LifeState, HTMLCanvasElement>()]
  const pictureOf = (state: LifeState, on: boolean) => {
    const of = on ? clear : faint
    let there = of.get(state)
    if (!there) of.set(state, (there = sprite(state, px, !on)))
    return there
  }
  for (const s of props.signs) {
    const [sx, sy] = [(s.x * k + x) * dpr, (s.y * k + y) * dpr]
    if (sx < -px || sy < -px || sx > w + px || sy > h + px) continue
    const on = !faintToo || props.lit!.has(s.id)
    ctx.drawImage(pictureOf(s.state, on), Math.round(sx - px / 2), Math.round(sy - px / 2))
    if (faintToo && on) {
      ctx.beginPath()
      ctx.arc(sx, sy, px * 0.62, 0, 2 * Math.PI)
      ctx.lineWidth = 2 * dpr
      ctx.strokeStyle = ink.tide
      ctx.stroke()
    }
    if (props.labels && on) {
      ctx.font = `600 ${12 * dpr}px "Atkinson Hyperlegible Mono", monospace`
      ctx.lineWidth = 3 * dpr
      ctx.strokeStyle = ink.sheet
      ctx.fillStyle = ink.ink
      ctx.strokeText(s.label, sx + px * 0.55, sy - px * 0.25)
      ctx.fillText(s.label, sx + px * 0.55, sy - px * 0.25)
    }
  }
}
const soon = () => {
  if (!asked) asked = requestAnimationFrame(draw)
}
onMounted(soon)
onBeforeUnmount(() => {
  clearTimeout(rest)
  cancelAnimationFrame(asked)
})
watch(() => [props.signs, props.size, props.width, props.height, props.lit, props.labels], soon)
watch(
  () => props.transform,
  () => asked || moved() || soon(),
)
watch(dim, () => {
  sprites.clear()
  // After the theme's own colours have been set on the page.
  requestAnimationFrame(soon)
})
</script>

<template>
  <canvas ref="canvas" class="holes" aria-hidden="true" :style="{ '--beyond': BEYOND_PX }" />
</template>

<style scoped>
.holes {
  position: absolute;
  top: calc(var(--beyond) * -1px);
  left: calc(var(--beyond) * -1px);
  width: calc(100% + var(--beyond) * 2px);
  height: calc(100% + var(--beyond) * 2px);
  pointer-events: none;
  will-change: transform;
}
/* On paper the map is of another size than it was drawn at, and what lies beyond its edges grows with it. */
@media print {
  main.place .holes {
    top: calc(-100% * var(--beyond) / var(--plan-h));
    left: calc(-100% * var(--beyond) / var(--plan-w));
    width: calc(100% * (1 + 2 * var(--beyond) / var(--plan-w)));
    height: calc(100% * (1 + 2 * var(--beyond) / var(--plan-h)));
    max-width: none;
  }
}
</style>
