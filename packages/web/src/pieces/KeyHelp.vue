<script setup lang="ts">
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
const open = defineModel<boolean>({ required: true })
const KEYS: [string, string][] = [
  ['/', 'Find anything: a boat, a hole, a fitting, a lot'],
  ['Alt + 1 to 7', 'Boat, Bench, Plan, Stores, Register, Watch, Reference'],
  ['n', 'New fitting at the cursor, or here'],
  ['[ and ]', 'Previous and next fitting'],
  ['u', 'Metric or inch'],
  ['s', 'Size it'],
  ['w', 'Working of the verdict under focus'],
  ['z and Shift + z', 'Undo and redo on the bench'],
  ['Arrows on the plan', 'Move the cursor; Enter places a fitting; + and \u2212 zoom'],
  ['Arrows in a dimension', 'Step by 0.5 mm or 1/32 in; with Shift ten times that'],
]
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="520px">
    <table class="rows">
      <tbody>
        <tr v-for="[key, what] in KEYS" :key="key">
          <td class="figure">{{ key }}</td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
  </ElDialog>
</template>
