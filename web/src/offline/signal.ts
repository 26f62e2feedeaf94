import { ref } from 'vue'

/** When the server gave what is shown, ISO, where it cannot be reached now; null while it can. */
export const keptSince = ref<string | null>(null)
