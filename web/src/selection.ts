import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'

/** The one address that all stations share: parts × measures. Null is "all parts" or "no measures chosen". */
export interface Selection {
  parts: string[]
  from: number
  to: number
}

/** Reads a selection out of the page's query; labels that the piece does not have are passed over. */
export function readSelection(
  query: LocationQuery,
  labels: readonly string[],
  partIds: readonly string[],
): Selection | null {
  const from = labels.indexOf(String(query.from ?? ''))
  if (from < 0) return null
  const to = Math.max(from, labels.indexOf(String(query.to ?? query.from)))
  const parts = String(query.parts ?? '')
    .split(',')
    .filter((p) => partIds.includes(p))
  return { parts: parts.length > 0 ? parts : [...partIds], from, to }
}

/** Writes a selection as a query; all parts are left out. */
export function writeSelection(
  selection: Selection | null,
  labels: readonly string[],
  partIds: readonly string[],
): Record<string, string> {
  if (!selection) return {}
  const query: Record<string, string> = { from: labels[selection.from]!, to: labels[selection.to]! }
  if (selection.parts.length < partIds.length) query.parts = selection.parts.join(',')
  return query
}

/** Moves a selection by measures and parts, kept inside the score. */
export function moveSelection(
  s: Selection,
  measures: number,
  parts: number,
  count: number,
  partIds: readonly string[],
): Selection {
  const length = s.to - s.from
  const from = Math.min(Math.max(0, s.from + measures), count - 1 - length)
  const places = s.parts.map((p) => partIds.indexOf(p))
  const shift = Math.min(Math.max(parts, -Math.min(...places)), partIds.length - 1 - Math.max(...places))
  return { from, to: from + length, parts: places.map((p) => partIds[p + shift]!) }
}

/** Makes the last measure later or earlier, at least one measure long. */
export function stretchSelection(s: Selection, by: number, count: number): Selection {
  return { ...s, to: Math.min(Math.max(s.from, s.to + by), count - 1) }
}

/** "Clarinet 1, Clarinet 2, measures 17–24". */
export function selectionWords(
  s: Selection | null,
  labels: readonly string[],
  names: ReadonlyMap<string, string>,
): string {
  if (!s) return 'nothing selected'
  const parts =
    s.parts.length === names.size && names.size > 1 ? 'all parts' : s.parts.map((p) => names.get(p) ?? p).join(', ')
  const measures = s.from === s.to ? `measure ${labels[s.from]}` : `measures ${labels[s.from]}–${labels[s.to]}`
  return `${parts}, ${measures}`
}

/** What the address names and the piece does not have, in a sentence; null where all is there. */
export function addressProblem(
  query: LocationQuery,
  labels: readonly string[],
  partIds: readonly string[],
): string | null {
  const measures = [query.from, query.to].filter((m) => m !== undefined && m !== null && !labels.includes(String(m)))
  const parts = String(query.parts ?? '')
    .split(',')
    .filter((p) => p && !partIds.includes(p))
  const wrong = [
    measures.length ? `no measure ${measures.map((m) => `“${String(m)}”`).join(' and ')}` : '',
    parts.length ? `no part ${parts.map((p) => `“${p}”`).join(' and ')}` : '',
  ].filter(Boolean)
  if (wrong.length === 0) return null
  return `This piece has ${wrong.join(' and ')}: its measures go from ${labels[0]} to ${labels.at(-1)}. Choose on the strip.`
}

/** Adds a part to a selection or takes it out; the last one stays. */
export function togglePart(s: Selection, part: string, partIds: readonly string[]): Selection {
  const chosen = s.parts.includes(part) ? s.parts.filter((p) => p !== part) : [...s.parts, part]
  return { ...s, parts: chosen.length === 0 ? s.parts : partIds.filter((p) => chosen.includes(p)) }
}

/** Takes one more part below the last one, or one fewer, at least one. */
export function stretchParts(s: Selection, by: number, partIds: readonly string[]): Selection {
  const places = s.parts.map((p) => partIds.indexOf(p))
  const last = Math.max(...places)
  if (by < 0) return s.parts.length > 1 ? { ...s, parts: s.parts.filter((p) => p !== partIds[last]) } : s
  return last + 1 < partIds.length ? { ...s, parts: [...s.parts, partIds[last + 1]!] } : s
}

const addressAfter = 150

/** The selection of the page: it changes at once, and the address follows when it has come to rest. */
export function useSelection(labels: () => readonly string[], partIds: () => readonly string[]) {
  const route = useRoute()
  const router = useRouter()
  const selection = ref<Selection | null>(null)
  const problem = computed(() => (labels().length ? addressProblem(route.query, labels(), partIds()) : null))
  const query = computed(() => writeSelection(selection.value, labels(), partIds()))
  let written = ''

  const write = useDebounceFn(() => {
    written = JSON.stringify(query.value)
    void router.replace({ query: query.value })
  }, addressAfter)
  function select(next: Selection | null) {
    selection.value = next
    void write()
  }

  // Another address: a link, the way back, the first one.
  watch(
    [() => JSON.stringify(route.query), () => labels().length],
    ([now]) => {
      if (!labels().length || now === written) return
      written = ''
      selection.value = readSelection(route.query, labels(), partIds())
    },
    { immediate: true },
  )
  return { selection, select, query, problem }
}
