import { computed } from 'vue'
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

/** The selection of the page, read from and written to the URL. */
export function useSelection(labels: () => readonly string[], partIds: () => readonly string[]) {
  const route = useRoute()
  const router = useRouter()
  const selection = computed(() => readSelection(route.query, labels(), partIds()))
  function select(next: Selection | null) {
    void router.replace({ query: writeSelection(next, labels(), partIds()) })
  }
  return { selection, select }
}
