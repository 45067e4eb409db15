<script setup lang="ts">
import { ref } from 'vue'
import type { UploadFile, UploadInstance } from 'element-plus'

/** A file of the reader's own, handed over as soon as it is picked. */
defineProps<{
  accept: string
  words: string
  /** what is said of it to whoever does not see where it stands */
  said?: string
  disabled?: boolean
  multiple?: boolean
}>()
const emit = defineEmits<{ file: [file: File] }>()
const upload = ref<UploadInstance>()
function take(f: UploadFile) {
  // The same file can be picked again: after it was mended, say.
  upload.value?.clearFiles()
  if (f.raw) emit('file', f.raw)
}
</script>

<template>
  <ElUpload
    ref="upload"
    class="read-file"
    :auto-upload="false"
    :show-file-list="false"
    :accept="accept"
    :disabled="disabled"
    :multiple="multiple"
    @change="take"
    ><span class="act file"
      >{{ words }}<span v-if="said" class="hidden-words">: {{ said }}</span></span
    ></ElUpload
  >
</template>
