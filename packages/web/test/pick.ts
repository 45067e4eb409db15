import { flushPromises, type DOMWrapper, type VueWrapper } from '@vue/test-utils'
import PickOne from '../src/pieces/PickOne.vue'

type Field = DOMWrapper<Element> & { titles: () => string[]; chosen: () => unknown }

/** What a label is for: a field to type in, or a list of choices that takes its value as a field would. */
export function fieldOf(w: VueWrapper, inner: DOMWrapper<Element>): Field {
  const pick = w.findAllComponents(PickOne).find((p) => p.element.contains(inner.element))
  if (!pick) return inner as Field
  const listed = () => (pick.props() as { options: { value: unknown; title: string }[] }).options
  const options = () => listed().map((o) => o.value)
  return Object.assign(inner, {
    titles: () => listed().map((o) => o.title),
    chosen: () => (pick.props() as { modelValue: unknown }).modelValue,
    setValue: async (v?: unknown) => {
      if (!options().includes(v)) throw new Error(`no ${String(v)} among ${options().join(', ')}`)
      pick.vm.$emit('update:modelValue', v)
      await flushPromises()
    },
  }) as Field
}

/** Whether a figure is marked as an estimate. */
export const estimated = (field: DOMWrapper<Element>) => field.element.closest('.estimated') !== null

/** The choices of the first list there is. */
export const firstList = (w: VueWrapper) =>
  (
    w.findAllComponents(PickOne)[0]!.props() as {
      options: { value: unknown; title: string; disabled?: boolean }[]
    }
  ).options
